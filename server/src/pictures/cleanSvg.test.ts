import { gzipSync } from 'node:zlib';
import { DomainError } from '@saltflat/contract';
import { expect } from 'chai';
import sharp from 'sharp';
import { cleanSvg } from './cleanSvg.ts';

const svg = (inside: string, attributes = ''): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="40" height="30"${attributes}>${inside}</svg>`;
const cleaned = (text: string | Buffer): { text: string; notes: string[] } => {
  const result = cleanSvg(Buffer.from(text as string), 'art.svg');
  if (!result) throw new Error('it was taken for something else');
  return { text: result.svg.toString(), notes: result.notes };
};
function refusal(text: string | Buffer): string {
  try {
    cleanSvg(Buffer.from(text as string), 'art.svg');
  } catch (error) {
    if (error instanceof DomainError) return error.code;
    throw error;
  }
  return 'taken';
}
/** Colour of one pixel as it is drawn. */
async function drawn(bytes: Buffer, x = 20, y = 15): Promise<number[]> {
  const { data, info } = await sharp(bytes).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return [...data.subarray(4 * (y * info.width + x), 4 * (y * info.width + x) + 4)];
}
const RED = [255, 0, 0, 255];

describe('a drawing', () => {
  it('is drawn as before, with its gradients, patterns, clips, styles and text', async () => {
    const drawings = [
      '<rect width="40" height="30" fill="red"/>',
      '<style>.a{fill:#f00}</style><rect class="a" width="40" height="30"/>',
      '<style><![CDATA[ /* x */ .a > rect { fill : rgb(255,0,0) } @media screen { .b { fill: blue } } ]]></style><g class="a"><rect width="40" height="30"/></g>',
      '<defs><linearGradient id="g"><stop stop-color="red"/></linearGradient></defs><rect width="40" height="30" fill="url(#g)"/>',
      '<defs><linearGradient id="h"><stop style="stop-color:red"/></linearGradient><linearGradient id="g" xlink:href="#h"/></defs><rect width="40" height="30" style="fill:url( \'#g\' )"/>',
      '<symbol id="s"><rect width="40" height="30" fill="red"/></symbol><use href="#s"/>',
      '<clipPath id="c"><path d="M0 0H40V30H0z"/></clipPath><g clip-path="url(#c)" transform="translate(0,0) scale(1)"><rect width="40" height="30" fill="red"/></g>',
      '<a href="http://elsewhere.example/"><rect width="40" height="30" fill="red"/></a>',
    ];
    for (const inside of drawings) {
      const before = Buffer.from(svg(inside));
      const { svg: after } = cleanSvg(before, 'art.svg')!;
      expect(await drawn(before), inside).to.deep.equal(RED);
      expect(await drawn(after), after.toString()).to.deep.equal(RED);
      expect(cleanSvg(after, 'art.svg')!.svg.toString(), 'what comes out goes in unchanged').to.equal(
        after.toString(),
      );
    }
    const said = cleaned(svg('<text x="1" y="9">Fish &amp; <tspan>chips &lt;3 Žofie</tspan></text>'));
    expect(said.text).to.contain('Fish &#38; <tspan>chips &#60;3 Žofie</tspan>');
  });

  it('keeps nothing that runs, links or reaches outside it, however it is written', () => {
    const attempts = [
      '<script>alert(1)</script>',
      '<SCRIPT/><rect onclick="alert(1)" width="1" height="1"/>',
      '<x:script xmlns:x="http://www.w3.org/2000/svg">alert(1)</x:script>',
      '<foreignObject><body xmlns="http://www.w3.org/1999/xhtml"><img src="http://elsewhere.example"/></body></foreignObject>',
      '<image href="http://elsewhere.example/a.png" width="9" height="9"/>',
      '<image xlink:href="file:///etc/passwd" width="9" height="9"/>',
      '<image href="data:image/svg+xml;base64,PHN2Zy8+" width="9" height="9"/>',
      '<use href="http://elsewhere.example/a.svg#x"/>',
      '<rect fill="url(http://elsewhere.example/#a)" width="1" height="1"/>',
      '<rect style="fill:u\\72l(http://elsewhere.example/a)" width="1" height="1"/>',
      '<rect style="fill:/**/url( &quot;http://elsewhere.example/a&quot; )" width="1" height="1"/>',
      '<rect filter="image-set(\'http://elsewhere.example/a\' 1x)" width="1" height="1"/>',
      '<style>@import "http://elsewhere.example/a.css";</style>',
      '<style>@\\69mport url(http://elsewhere.example/a.css); .a{fill:red}</style>',
      '<style>@font-face{font-family:x;src:url(http://elsewhere.example/f)}</style>',
      '<style>.a{background:url("http://elsewhere.example/a") } }} .b{fill:url(http://elsewhere.example</style>',
      '<rect width="1" height="1"><animate attributeName="href" to="http://elsewhere.example"/></rect>',
      '<?xml-stylesheet href="http://elsewhere.example/a.css"?>',
      '<!-- <script>alert(1)</script> http://elsewhere.example -->',
      '<g xml:base="http://elsewhere.example/"><use href="#a"/></g>',
    ];
    for (const attempt of attempts) {
      const { text } = cleaned(svg(attempt));
      expect(text, attempt).to.not.match(
        /elsewhere|script|alert|onclick|passwd|foreignObject|animate|import|xml:base/i,
      );
    }
    expect(cleaned(svg('<script/><use href="http://a.example/#b"/>')).notes).to.deep.equal([
      'A script in the file was left out.',
      'A picture or style the file links to was left out: embed it.',
    ]);
  });

  it('is read with the entities that drawing programs declare, and none of them swells or reads a file', async () => {
    const declared = `<?xml version="1.0"?><!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd" [
      <!ENTITY ns_svg "http://www.w3.org/2000/svg"> <!ENTITY tone 'red'>
      <!ENTITY own SYSTEM "file:///etc/passwd"> <!ENTITY a "aaaaaaaaaa"> <!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;&a;&a;">
    ]><svg xmlns="&ns_svg;" width="40" height="30"><rect width="40" height="30" fill="&tone;"/><text>[&own;|&b;|&nothing;]</text></svg>`;
    const { text } = cleaned(declared);
    expect(await drawn(Buffer.from(text))).to.deep.equal(RED);
    expect(text).to.contain('[||&#38;nothing;]');
    const swelling = `<!DOCTYPE svg [<!ENTITY a "${'a'.repeat(2000)}">]>${svg(`<text>${'&a;'.repeat(60_000)}</text>`)}`;
    expect(refusal(swelling)).to.equal('picture-too-heavy');
  });

  it('is read in the ways drawings are written: compressed, in UTF-16, with a prefix of its own', async () => {
    const plain = svg('<rect width="40" height="30" fill="red"/>');
    const sixteen = Buffer.from(`\ufeff${plain}`, 'utf16le');
    const prefixed = plain.replaceAll('<', '<d:').replaceAll('<d:/', '</d:').replace('xmlns=', 'xmlns:d=');
    const latin = Buffer.from(
      `<?xml version="1.0" encoding="ISO-8859-1"?>${svg('<rect width="40" height="30" fill="red"/><text>é</text>')}`,
      'latin1',
    );
    for (const bytes of [gzipSync(plain), sixteen, Buffer.from(prefixed), latin])
      expect(await drawn(cleanSvg(bytes, 'art.svg')!.svg)).to.deep.equal(RED);
    expect(cleaned(latin).text).to.contain('<text>é</text>');
    expect(cleaned(gzipSync(svg('<script>1</script>'))).text).to.not.contain('script');
  });

  it('is refused where it is broken, is something else, or swells when it is unpacked', () => {
    expect(refusal(svg('<rect>'))).to.equal('broken-image');
    expect(refusal(gzipSync(svg('')).subarray(0, 60))).to.equal('broken-image');
    expect(refusal(gzipSync(Buffer.alloc(80 * 1024 * 1024, '<')))).to.equal('too-large');
    expect(cleanSvg(Buffer.from('<html><body/></html>'), 'a.svg')).to.equal(null);
    expect(cleanSvg(Buffer.from('<svg><rect/></svg>'), 'a.svg'), 'without its name space').to.equal(null);
    expect(cleanSvg(Buffer.from('%PDF-1.7'), 'a.svg')).to.equal(null);
  });

  it('is refused where its repeats of repeats are more than can be drawn, or it goes deeper than anybody draws', () => {
    const levels = (count: number, element: (at: number) => string): string =>
      Array.from({ length: count }, (_own, at) => element(at + 1)).join('');
    const uses = (at: number): string => `<g id="l${at}">${`<use href="#l${at - 1}"/>`.repeat(10)}</g>`;
    const patterns = (at: number): string =>
      `<pattern id="l${at}" width="9" height="9">${`<rect width="1" height="1" fill="url(#l${at - 1})"/>`.repeat(10)}</pattern>`;
    for (const element of [uses, patterns]) {
      const tree = (count: number): string =>
        svg(
          `<rect id="l0" width="1" height="1"/>${levels(count, element)}<rect fill="url(#l${count})"/><use href="#l${count}"/>`,
        );
      expect(refusal(tree(3))).to.equal('taken');
      expect(refusal(tree(12))).to.equal('picture-too-heavy');
    }
    const ring = svg('<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>');
    expect(refusal(ring), 'a ring is drawn by no renderer').to.equal('taken');
    expect(refusal(svg(`${'<g>'.repeat(300)}${'</g>'.repeat(300)}`))).to.equal('picture-too-heavy');
  });

  it('of any size and shape is read once: what is long is not read again for each of its parts', function () {
    this.timeout(60_000); // any of these took minutes where each part was looked for in the whole
    const long = [
      svg(`<rect style="${'url('.repeat(64_000)}" width="1" height="1"/>`),
      svg(`<style>${'url('.repeat(64_000)}</style>`),
      svg(`<style>${'@import '.repeat(64_000)}</style>`),
      svg(`<style>${'/*'.repeat(200_000)}</style>`),
      svg(`<rect fill="${'translate(1) '.repeat(60_000)}!" width="1" height="1"/>`),
      svg('', ` class="${'a '.repeat(500_000)}"`),
      `<!DOCTYPE svg [${'<!ENTITY a '.repeat(100_000)}]>${svg('')}`,
      svg(Array.from({ length: 50_000 }, (_own, i) => `<g id="a${i}"/><use href="#a${i}"/>`).join('')),
    ];
    for (const text of long)
      expect(refusal(text)).to.be.oneOf(['taken', 'broken-image', 'picture-too-heavy']);
  });
});
