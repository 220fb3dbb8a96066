import { expect } from 'chai';
import {
  cap,
  cottonTee,
  housed,
  lineOf,
  polyesterBib,
  routeOf,
  shelf,
  shopWith,
  small,
} from '../fixtures/index.ts';
import type { PrintInput } from '../route/index.ts';
import { faultsOf } from './index.ts';

const faults = (own: Partial<PrintInput>): string[] => faultsOf(routeOf(lineOf(own))).map(([key]) => key);
const capFront = { garment: cap, ...small('cap-front') };

describe('the faults a run can have', () => {
  it('are those of film only where film is made here', () => {
    const ofMaking = ['powder-on-film', 'gritty', 'puddles', 'bumps', 'reads-backwards', 'white-over-colour'];
    const ofPressing = ['lifts-on-peel', 'edges-lift', 'misplaced', 'scorch'];
    expect(faults({ process: 'dtf' })).to.include.members([...ofMaking, ...ofPressing]);
    for (const own of [
      { process: 'bought-in' as const },
      { process: 'shelf' as const, ...shopWith({ shelf }) },
    ])
      expect(faults(own)).to.include.members(ofPressing).and.not.include.members(ofMaking);
  });

  it('are a garment’s colour in the white only where dye can wander', () => {
    expect(faults({ process: 'dtf', garment: polyesterBib })).to.include('dye-bleed');
    expect(faults({ process: 'dtf' })).to.not.include('dye-bleed');
    const undyed = { ...polyesterBib, tone: 'light' as const, colourHex: '#ffffff', dye: 'undyed' as const };
    expect(faults({ process: 'dtf', garment: undyed })).to.not.include('dye-bleed');
  });

  it('are a stain box only where something is sprayed, and the iron’s only where one is used', () => {
    expect(faults({ process: 'dtg' })).to.include('stain-box');
    const white = { ...cottonTee, tone: 'light' as const, colourHex: '#ffffff' };
    expect(faults({ process: 'dtg', garment: white })).to.not.include('stain-box');
    expect(faults({ process: 'patch-cap', ...capFront })).to.include.members(['patch-stretched', 'glue-rim']);
    const pressed = { process: 'patch-cap' as const, ...capFront, house: housed({ patchTack: 'press' }) };
    expect(faults(pressed)).to.include('glue-rim').and.not.include('patch-stretched');
  });

  it('are a bubbled front on caps, whatever is on them, and on nothing flat', () => {
    expect(faults({ process: 'dtf', ...capFront })).to.include('front-bubbled');
    expect(faults({ process: 'dtf' })).to.not.include('front-bubbled');
  });
});
