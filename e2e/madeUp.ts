import type { APIRequestContext, Page } from '@playwright/test';
import { leftInEnglish, wordsIn } from '@saltflat/core/language';

/** Keys whose values people of the shop have written, as names: they are the same in any language. */
const WRITTEN =
  /^(name|customer|customerName|maker|lot|note|by|code|styleName|fluid|stockUnit|colour|garment|size|text|why)$/;

/** Words that the shop’s own records bring. */
export async function shopWords(request: APIRequestContext, paths: readonly string[]): Promise<Set<string>> {
  const words = new Set<string>();
  const visit = (value: unknown, key = ''): void => {
    if (typeof value === 'string' && WRITTEN.test(key)) wordsIn(value).forEach((word) => words.add(word));
    if (typeof value === 'object' && value !== null)
      for (const [own, inner] of Object.entries(value)) visit(inner, Array.isArray(value) ? key : own);
  };
  for (const path of ['/catalogue', ...paths]) visit(await (await request.get(`/api/v1${path}`)).json());
  return words;
}

/** What is shown or read out on the page and is left in English. */
export async function englishOn(page: Page, known: ReadonlySet<string>): Promise<string[]> {
  const texts = await page.evaluate(() => {
    const found: string[] = [];
    const isShown = (element: Element | null): boolean => element?.checkVisibility() ?? false;
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode())
      if (isShown(node.parentElement) && !node.parentElement?.closest('script, style, noscript'))
        found.push(node.nodeValue ?? '');
    for (const element of document.querySelectorAll('[aria-label], [title], [placeholder], [alt]'))
      if (isShown(element))
        for (const name of ['aria-label', 'title', 'placeholder', 'alt'])
          found.push(element.getAttribute(name) ?? '');
    return found;
  });
  return [...new Set(texts.filter((text) => leftInEnglish(text, known).length > 0))];
}
