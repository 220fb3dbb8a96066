import { DomainError } from '@saltflat/contract';
import type { Device } from '@saltflat/contract';
import { expect } from 'chai';
import fc from 'fast-check';
import { createDeviceService } from './deviceService.ts';
import { HYGROMETER, SCALE, simulateDevice } from './simulatedDevice.ts';

const START = Date.UTC(2031, 1, 3, 8);
const LAG_MS = 1000 * SCALE.lagS;
const quietScale = () => {
  const scale = simulateDevice(SCALE, 7, START);
  scale.drive({ noise: 0, driftPerHour: 0 }, START);
  return scale;
};

describe('simulated devices', () => {
  it('settle on what lies on them with their own lag, and say when they are steady', () => {
    const scale = quietScale();
    scale.drive({ target: 184 }, START);
    const at = (ms: number): Device => scale.read(START + ms);
    expect(at(0).value).to.equal(0);
    expect(at(LAG_MS).value).to.be.closeTo(184 * (1 - Math.exp(-1)), 0.06);
    expect([at(1000).isStable, at(2000).isStable]).to.deep.equal([false, true]);
    expect(at(2000).value, 'what it shows when steady is what lies on it').to.be.closeTo(
      184,
      SCALE.resolution,
    );
    expect(at(10_000).value).to.equal(184);
  });

  it('follow a new load from where they were', () => {
    const scale = quietScale();
    scale.drive({ target: 100 }, START);
    scale.drive({ target: 0 }, START + LAG_MS);
    const half = scale.read(START + LAG_MS).value ?? 0;
    expect(half).to.be.closeTo(100 * (1 - Math.exp(-1)), 0.06);
    expect(scale.read(START + 2 * LAG_MS).value).to.be.below(half);
  });

  it('drift through the day, but an empty scale stays at zero', () => {
    const scale = quietScale();
    scale.drive({ driftPerHour: 2 }, START);
    expect(scale.read(START + 3_600_000).value).to.equal(0);
    scale.drive({ target: 50 }, START);
    expect(scale.read(START + 3_600_000).value).to.equal(52);
  });

  it('show only the steps they can show, never below nothing, and the same for the same seed', () => {
    fc.assert(
      fc.property(fc.integer(), fc.integer({ min: 0, max: 400 }), (seed, target) => {
        const read = (): (number | null)[] => {
          const device = simulateDevice(SCALE, seed, START);
          device.drive({ target }, START);
          return [1, 2, 3, 4].map((s) => device.read(START + 1000 * s).value);
        };
        const values = read();
        expect(read()).to.deep.equal(values);
        for (const value of values) {
          expect(value).to.be.at.least(0);
          expect(Math.round((value ?? 0) * 10)).to.be.closeTo((value ?? 0) * 10, 1e-6);
        }
      }),
    );
  });

  it('say nothing but why when they are broken, and come back', () => {
    const hygrometer = simulateDevice(HYGROMETER, 3, START);
    hygrometer.drive({ hasFault: true }, START);
    expect(hygrometer.read(START + 60_000)).to.include({ value: null, isStable: false });
    expect(hygrometer.read(START + 60_000).fault).to.contain('battery');
    hygrometer.drive({ hasFault: false }, START + 61_000);
    expect(hygrometer.read(START + 120_000).value).to.be.within(45, 49);
  });
});

describe('the device service', () => {
  it('tells whoever listens what was changed, and nobody who has left', () => {
    const service = createDeviceService([simulateDevice(SCALE, 1, START)], () => START);
    const heard: Device[] = [];
    const leave = service.subscribe((device) => heard.push(device));
    service.drive('scale', { target: 12 });
    expect(heard.map(({ drive }) => drive.target)).to.deep.equal([12]);
    leave();
    service.drive('scale', { target: 13 });
    expect(heard).to.have.length(1);
    service.stop();
  });

  it('refuses a device it does not have', () => {
    const service = createDeviceService([], () => START);
    expect(() => service.drive('kettle', {})).to.throw(DomainError, 'There is no device “kettle”.');
    service.stop();
  });
});
