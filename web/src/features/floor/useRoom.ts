import { roomWith } from '@saltflat/core/spray';
import type { RoomAir } from '@saltflat/core/spray';
import { useMeasuredRoom } from '../../api/liveSlice.ts';

/** The room's air as its sensors say it; what they do not say is as usual. */
export function useRoom(): RoomAir {
  const { roomC, humidity } = useMeasuredRoom();
  return roomWith({ tempC: roomC, rh: humidity === null ? null : Math.min(0.99, humidity) });
}
