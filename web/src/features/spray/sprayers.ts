import type { Catalogue, Machine, Material, NozzleFit } from '@saltflat/contract';
import type { SprayerDial } from '@saltflat/core/route';

/** A sprayer as this place shows it. */
export interface ShownSprayer {
  id: string;
  name: string;
  isHandGun: boolean;
  /** What is set on it; `null` where nothing is. */
  setting: SprayerDial | null;
  /** The nozzle in it. */
  nozzle: string;
  fits: readonly NozzleFit[];
  /** What a hand gun gives; `null` where nobody measured. */
  gun: HandGun | null;
}

/** A hand gun’s flow and cone, as the shop says them. */
export interface HandGun {
  flowGPerMin: number;
  coneWide: number;
  coneNarrow: number;
  landsShare: number;
}

/** The sprayers in use. Their documents were checked when they were stored. */
export const sprayersOf = ({ machines }: Pick<Catalogue, 'machines'>): ShownSprayer[] =>
  machines.filter(({ kind }) => kind === 'sprayer').map(shownSprayer);

const shownSprayer = ({ id, name, properties, fits = [] }: Machine): ShownSprayer => ({
  id,
  name,
  isHandGun: properties.isHandGun === true,
  setting: (properties.setting as SprayerDial | null | undefined) ?? null,
  nozzle: typeof properties.nozzle === 'string' ? properties.nozzle : '',
  fits,
  gun: (properties.gun as HandGun | null | undefined) ?? null,
});

export const fluidsOf = ({ materials }: Pick<Catalogue, 'materials'>): Material[] =>
  materials.filter(({ kind }) => kind === 'pretreatment');
