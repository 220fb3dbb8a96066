import { gunzipSync } from 'node:zlib';
import { DomainError } from '@saltflat/contract';
import { SaxesParser } from 'saxes';
import { cleanCss } from './cleanCss.ts';
import { DrawingCost } from './drawingCost.ts';
import { ATTRIBUTES, ELEMENTS, WITH_TEXT } from './svgAllowed.ts';

const SVG = 'http://www.w3.org/2000/svg';
const XLINK = 'http://www.w3.org/1999/xlink';
const MOST_BYTES = 32 * 1024 * 1024;
const HEAD_BYTES = 1024;
const MOST_ELEMENTS = 200_000;
const DEEPEST = 200;
const MOST_ENTITIES = 200;
const LONGEST_ENTITY = 2000;
/** The renderer reads no other kinds. */
const EMBEDDED = /^data:image\/(?:png|jpe?g);base64,[A-Za-z0-9+/=\s]*$/;

const SCRIPT = 'A script in the file was left out.';
const LINKED = 'A picture or style the file links to was left out: embed it.';

/**
 * Rebuilds a drawing from what is known to draw, element by element: what it holds besides, scripts, links, what reaches outside
 * it, is not in the result. Entities are put in as the text they stand for, once; a drawing that is compressed is unpacked.
 *
 * What comes out goes in unchanged.
 *
 * @param name of the file, for sentences
 * @returns `null` where the bytes are no SVG
 * @throws DomainError `broken-image`, `too-large` or `picture-too-heavy`
 */
export function cleanSvg(bytes: Buffer, name: string): { svg: Buffer; notes: string[] } | null {
  const unpacked = bytes.length > 1 && bytes.readUInt16BE(0) === 0x1f8b ? unpack(bytes, name) : bytes;
  if (!/^\s*</.test(decode(unpacked.subarray(0, HEAD_BYTES)))) return null;
  if (unpacked.length > MOST_BYTES)
    throw new DomainError('too-large', `“${name}” is a drawing of more than 32 MB. Export the art as a PNG.`);
  return new Rebuilding(name).run(decode(unpacked));
}

function unpack(bytes: Buffer, name: string): Buffer {
  try {
    return gunzipSync(bytes, { maxOutputLength: MOST_BYTES });
  } catch (cause) {
    const isLarge = (cause as { code?: unknown }).code === 'ERR_BUFFER_TOO_LARGE';
    if (isLarge)
      throw new DomainError(
        'too-large',
        `“${name}” unpacks to more than 32 MB. Export the art as a PNG.`,
        {},
        { cause },
      );
    throw new DomainError(
      'broken-image',
      `“${name}” is compressed and cannot be unpacked. Export it again.`,
      {},
      { cause },
    );
  }
}

/** Text of an XML file, by its mark or by what its first line says. */
function decode(bytes: Buffer): string {
  const [first, second] = bytes;
  const label =
    first === 0xff && second === 0xfe
      ? 'utf-16le'
      : first === 0xfe && second === 0xff
        ? 'utf-16be'
        : (/^<\?xml[^>]{0,100}encoding=["']([\w.-]{1,30})["']/.exec(bytes.toString('latin1', 0, 200))?.[1] ??
          'utf-8');
  try {
    return new TextDecoder(label).decode(bytes);
  } catch {
    return new TextDecoder().decode(bytes); // a label nobody knows
  }
}

interface Open {
  name: string;
  /** What is written for it; `null` inside what is left out. */
  isKept: boolean;
  /** Prefixes of names that mean SVG here. */
  prefixes: ReadonlySet<string>;
  /** Text of a style, until all of it is there. */
  css: string | null;
}

type Attributes = Readonly<Record<string, string>>;

/** One drawing being rebuilt. */
class Rebuilding {
  private readonly out: string[] = [];
  private readonly stack: Open[] = [];
  private readonly notes = new Set<string>();
  private readonly cost = new DrawingCost();
  private elements = 0;
  private isSvg: boolean | null = null;
  private fault: string | null = null;

  constructor(private readonly name: string) {}

  run(text: string): { svg: Buffer; notes: string[] } | null {
    const parser = new SaxesParser({ xmlns: false as const });
    parser.ENTITIES = Object.assign(Object.create(null) as Record<string, string>, STANDARD);
    const mentions = text.split('&').length;
    let longest = 0;
    parser.on('error', ({ message }) => {
      if (!/entity|disallowed character/.test(message)) this.fault ??= message; // an unknown entity is left out below
    });
    parser.on('doctype', (doctype) => {
      for (const [name, value] of entitiesOf(doctype)) {
        parser.ENTITIES[name] = value;
        longest = Math.max(longest, value.length);
      }
      if (longest * mentions > MOST_BYTES) throw tooHeavy(this.name, 'swells when its entities are put in');
    });
    parser.on('opentag', ({ name, attributes }) => this.open(name, attributes));
    parser.on('closetag', () => this.close());
    parser.on('text', (own) => this.text(own));
    parser.on('cdata', (own) => this.text(own));
    for (let at = 0; at < text.length && this.isSvg !== false && this.fault === null; at += CHUNK)
      parser.write(text.slice(at, at + CHUNK));
    if (this.isSvg !== false && this.fault === null) parser.close();
    if (this.isSvg !== true) return null;
    if (this.fault !== null) throw broken(this.name);
    this.cost.refuseHeavy(this.name);
    return { svg: Buffer.from(this.out.join('')), notes: [...this.notes] };
  }

  private open(name: string, attributes: Attributes): void {
    const parent = this.stack[this.stack.length - 1];
    const prefixes = prefixesOf(parent?.prefixes ?? NO_PREFIX, attributes);
    const [prefix, local] = splitName(name);
    const isSvg = prefixes.has(prefix);
    this.isSvg ??= isSvg && local === 'svg';
    const isKept = (parent?.isKept ?? true) && isSvg && ELEMENTS.has(local);
    this.stack.push({ name: local, isKept, prefixes, css: local === 'style' ? '' : null });
    if (local === 'script') this.notes.add(SCRIPT);
    if (!isKept || !this.isSvg) return;
    this.elements++;
    if (this.elements > MOST_ELEMENTS || this.stack.length > DEEPEST)
      throw tooHeavy(
        this.name,
        `has more than ${MOST_ELEMENTS} parts, or parts nested more than ${DEEPEST} deep`,
      );
    const kept = this.keptAttributes(local, attributes);
    this.cost.open(local, kept);
    const names = parent ? '' : ` xmlns="${SVG}" xmlns:xlink="${XLINK}"`;
    this.out.push(`<${local}${names}${kept.map(([key, value]) => ` ${key}="${escaped(value)}"`).join('')}>`);
  }

  private close(): void {
    const own = this.stack.pop();
    if (!own?.isKept) return;
    if (own.css !== null) {
      const { css, isCut } = cleanCss(own.css, 'stylesheet');
      if (isCut) this.notes.add(LINKED);
      this.cost.refer(css);
      this.out.push(escaped(css));
    }
    this.cost.close();
    this.out.push(`</${own.name}>`);
  }

  private text(text: string): void {
    const own = this.stack[this.stack.length - 1];
    if (!own?.isKept || !WITH_TEXT.has(own.name)) return;
    if (own.css !== null) own.css += text;
    else this.out.push(escaped(text));
  }

  private keptAttributes(element: string, attributes: Attributes): [string, string][] {
    const kept: [string, string][] = [];
    for (const [key, value] of Object.entries(attributes)) {
      if (/^(xlink:)?href$/.test(key)) {
        const isKept = value.trim().startsWith('#') || (element === 'image' && EMBEDDED.test(value.trim()));
        if (isKept) kept.push(['xlink:href', value.trim()]);
        else if (element !== 'a') this.notes.add(LINKED);
      } else if (ATTRIBUTES.has(key)) {
        const { css, isCut } = cleanCss(value, key === 'style' ? 'declarationList' : 'value');
        if (isCut) this.notes.add(LINKED);
        if (css !== '' || value === '') kept.push([key, css]);
      }
    }
    return kept;
  }
}

const CHUNK = 64 * 1024;
const STANDARD = { amp: '&', gt: '>', lt: '<', quot: '"', apos: "'", nbsp: '\u00a0' };
const NO_PREFIX: ReadonlySet<string> = new Set();

/** Entities that a document declares with their text. What stands in a file elsewhere, or is made of other entities, stays empty. */
function entitiesOf(doctype: string): [string, string][] {
  const found: [string, string][] = [];
  const declaration = /<!ENTITY\s+([\w.:-]{1,100})\s+(?:"([^"]{0,2000})"|'([^']{0,2000})'|[^>"']{0,20})/g;
  for (const [, name = '', double, single] of doctype.matchAll(declaration)) {
    if (found.length >= MOST_ENTITIES) break;
    const value = double ?? single ?? '';
    found.push([name, /[<&%]/.test(value) || value.length > LONGEST_ENTITY ? '' : value]);
  }
  return found;
}

function prefixesOf(former: ReadonlySet<string>, attributes: Attributes): ReadonlySet<string> {
  let prefixes = former;
  for (const [key, value] of Object.entries(attributes)) {
    const prefix = key === 'xmlns' ? '' : key.startsWith('xmlns:') ? key.slice(6) : null;
    if (prefix === null || prefixes.has(prefix) === (value === SVG)) continue;
    const own = new Set(prefixes);
    if (value === SVG) own.add(prefix);
    else own.delete(prefix);
    prefixes = own;
  }
  return prefixes;
}

function splitName(name: string): [prefix: string, local: string] {
  const at = name.indexOf(':');
  return at < 0 ? ['', name] : [name.slice(0, at), name.slice(at + 1)];
}

/** Blanks of an attribute would be read as spaces. */
const escaped = (text: string): string => text.replace(/[&<>"\n\t\r]/g, (own) => `&#${own.charCodeAt(0)};`);

const tooHeavy = (name: string, why: string): DomainError =>
  new DomainError('picture-too-heavy', `“${name}” ${why}. Export the art as a PNG.`);

const broken = (name: string): DomainError =>
  new DomainError(
    'broken-image',
    `“${name}” is damaged or cut short: it begins like a picture but cannot be read to its end. Export it again.`,
  );
