import { roomWith } from '@saltflat/core/spray';
import type { RoomAir } from '@saltflat/core/spray';
import { useDevice } from '../../api/liveSlice.ts';

/** The room's air as its sensors say it; what they do not say is as usual. */
export function useRoom(): RoomAir {
  const humidity = useDevice('hygrometer')?.value ?? null;
  return roomWith({
    tempC: useDevice('room-thermometer')?.value,
    rh: humidity === null ? null : Math.min(0.99, humidity / 100),
  });
}
