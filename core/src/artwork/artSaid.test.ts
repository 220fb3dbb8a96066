import { expect } from 'chai';
import { inWords } from '../words/index.ts';
import type { Speech } from '../words/index.ts';
import { FINDING_CODES, sayFinding, sayFix, sayStep } from './index.ts';
import type { ArtStep, Finding, Fix } from './index.ts';

const INCHES: Speech = {
  system: { temperature: 'F', length: 'in', mass: 'oz' },
  currency: 'EUR',
  language: 'en',
};

describe('what is said of art', () => {
  const finding = (code: Finding['code'], params: Finding['params']): Finding => ({
    code,
    severity: 'warn',
    confidence: 'sure',
    params,
    places: [],
    placeCount: 0,
    fixes: [],
  });

  it('have a name and a sentence for every code', () => {
    for (const code of FINDING_CODES) {
      const { title, text } = sayFinding(finding(code, {}));
      // a code that no sentence is there for would be shown bare
      expect(inWords(title), code).to.not.equal(title.code);
      expect(inWords(text), code).to.not.equal(text.code);
    }
  });

  it('say lengths in the person’s own units', () => {
    const solid = finding('solid-stiff', { circleMm: 254, areaMm2: 60_000 });
    expect(inWords(sayFinding(solid).text)).to.match(/circle of 254\smm/);
    expect(inWords(sayFinding(solid).text, INCHES)).to.match(/circle of 10(\.0+)?\sin/);
  });

  it('name only the sides of a margin that there are', () => {
    const margin = finding('empty-margin', { leftMm: 0, rightMm: 0.2, topMm: 12, bottomMm: 30 });
    expect(inWords(sayFinding(margin).text)).to.match(/^Nothing is printed on 12\smm above, 30\smm below:/);
  });

  it('say of a box that the garment would show it for free', () => {
    const box = finding('opaque-box', { tone: 'black', hex: '#040404', boxShare: 0.74, likeGarment: true });
    const { title, text } = sayFinding(box);
    expect(inWords(title)).to.equal('An opaque black box round the art');
    expect(inWords(text)).to.match(/74\s%.*for free/);
  });

  it('describe every step, and what a fix will do', () => {
    const steps: ArtStep[] = [
      { kind: 'knock-out', hex: '#040404', tol: 8, soft: 14, mode: 'flood' },
      { kind: 'crop-margin' },
      { kind: 'remove-checkerboard', greys: ['#ffffff', '#cccccc'], cellPx: 16 },
      { kind: 'harden-edges', threshold: 128 },
      { kind: 'screen-soft', cellMm: 1 },
      { kind: 'thicken', thinnerThanMm: 0.3, byMm: 0.2 },
      { kind: 'drop-specks', smallerThanMm2: 0.2 },
      { kind: 'perforate', holeMm: 1.2, pitchMm: 3 },
    ];
    const titles = steps.map((step) => inWords(sayStep(step).title));
    expect(new Set(titles).size).to.equal(steps.length);
    expect(inWords(sayStep(steps[7]).detail)).to.contain('15 % open');
    const fixes: Fix[] = steps.map((step) => ({ kind: 'step', step }));
    expect(inWords(sayFix(fixes[0]))).to.equal('Take #040404 out from the border in');
    expect(inWords(sayFix({ kind: 'print-width', widthMm: 152.4 }), INCHES)).to.match(
      /^Print it 6(\.0+)?\sin wide$/,
    );
  });
});
