import type { Machine } from '@saltflat/contract';
import type { SprayerDial } from '@saltflat/core/route';

/** What is set on a sprayer; `null` where nothing is, or the machine is none. Checked against its document when it was stored. */
export const sprayerSetting = ({ kind, properties }: Machine): SprayerDial | null =>
  kind === 'sprayer' ? ((properties.setting as SprayerDial | null | undefined) ?? null) : null;
