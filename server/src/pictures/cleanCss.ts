import { generate, parse, walk } from 'css-tree';
import type { CssNode, List } from 'css-tree';

/** Functions that fetch, or that no drawing needs. */
const FETCHING =
  /^(url|src|image|image-set|-webkit-image-set|cross-fade|element|expression|paint|attr|var|env)$/i;
/** A value in which nothing can hide: no function, no escape, no rule. */
const PLAIN = /^[^\\(@<>{}]*$/;
/** References to the drawing itself, turns and colours: what drawing programs write by the thousand. */
const KNOWN_FUNCTIONS =
  /^\s*(?:(?:url\(#[\w.-]+\)|(?:translate|rotate|scale|matrix|skewX|skewY|rgba?|hsla?)\([\d\s.,%eE+-]*\))[\s,]*)+[#\w]*\s*$/;

/**
 * Takes out of a style what reaches outside its drawing: addresses, imports, fonts to be fetched. What is left is written anew from
 * what a parser read, so that nothing is hidden behind escapes or comments.
 *
 * @param context a whole sheet, the declarations of a `style` attribute, or one value
 * @returns the style, and whether anything was taken out
 */
export function cleanCss(
  text: string,
  context: 'stylesheet' | 'declarationList' | 'value',
): { css: string; isCut: boolean } {
  if (context !== 'stylesheet' && (PLAIN.test(text) || KNOWN_FUNCTIONS.test(text)))
    return { css: text, isCut: false };
  const tree = readCss(text, context);
  if (tree === null) return { css: '', isCut: true };
  let isCut = false;
  const cut = (item: { data: CssNode } | null, list: List<CssNode> | null): void => {
    isCut = true;
    list?.remove(item as never); // the item is this list's own
  };
  walk(tree, {
    enter(node: CssNode, item: { data: CssNode } | null, list: List<CssNode> | null) {
      if (reachesOut(node)) cut(item, list);
    },
  });
  const css = generate(tree);
  return isUnread(tree) ? { css: '', isCut: true } : { css, isCut };
}

/** What a parser makes of it; `null` for what it cannot read, or not without end. */
function readCss(text: string, context: string): CssNode | null {
  try {
    return parse(text, { context, onParseError: () => undefined });
  } catch {
    return null;
  }
}

/** Whether a part, which stands in a list of parts, is to be left out. */
function reachesOut(node: CssNode): boolean {
  switch (node.type) {
    case 'Atrule':
      return node.name.toLowerCase() !== 'media' || isUnread(node.prelude);
    case 'Rule':
      return isUnread(node.prelude);
    case 'Declaration':
      return isUnread(node.value);
    case 'Url':
      return !node.value.startsWith('#');
    case 'Function':
      return FETCHING.test(node.name);
    default:
      return false;
  }
}

/** What the parser gave up on, unless nothing can hide in it. */
const isUnread = (node: CssNode | null): boolean => node?.type === 'Raw' && !PLAIN.test(node.value);
