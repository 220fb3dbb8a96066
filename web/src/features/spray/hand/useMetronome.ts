import { poseAt } from '@saltflat/core/spray';
import type { PathPoint } from '@saltflat/core/spray';
import { useEffect, useRef, useState } from 'react';
import type { Scene } from './drawDeposit.ts';

const COUNT_IN_S = 2;

export interface Metronome {
  isRunning: boolean;
  marker: Scene['marker'];
  start: () => void;
  stop: () => void;
}

/** Where the hand should be, in real time, with a tone as each band begins and a deeper one as it ends. */
export function useMetronome(path: readonly PathPoint[] | null, hasSound: boolean): Metronome {
  const [startedMs, setStarted] = useState<number | null>(null);
  const [marker, setMarker] = useState<Scene['marker']>(null);
  const sound = useRef<AudioContext | null>(null);
  useEffect(() => setStarted(null), [path]);
  useEffect(() => {
    if (startedMs === null || path === null) {
      setMarker(null);
      return undefined;
    }
    let frame = 0;
    let wasOn = false;
    const endS = path.at(-1)?.t ?? 0;
    const show = (): void => {
      const t = (performance.now() - startedMs) / 1000 - COUNT_IN_S;
      const pose = poseAt(path, Math.max(0, t));
      const isOn = t >= 0 && pose.on && t < endS;
      if (isOn !== wasOn && hasSound && sound.current) tone(sound.current, isOn ? 880 : 440);
      wasOn = isOn;
      setMarker({ x: pose.x, y: pose.y, isOn });
      if (t > endS) setStarted(null);
      else frame = requestAnimationFrame(show);
    };
    frame = requestAnimationFrame(show);
    return () => cancelAnimationFrame(frame);
  }, [startedMs, path, hasSound]);
  useEffect(() => () => void sound.current?.close(), []);
  return {
    isRunning: startedMs !== null,
    marker,
    start: () => {
      sound.current ??= new AudioContext(); // a browser lets sound begin by a press alone
      setStarted(performance.now());
    },
    stop: () => setStarted(null),
  };
}

function tone(sound: AudioContext, hertz: number): void {
  const [pitch, loudness] = [sound.createOscillator(), sound.createGain()];
  pitch.frequency.value = hertz;
  loudness.gain.setValueAtTime(0.2, sound.currentTime);
  loudness.gain.exponentialRampToValueAtTime(0.001, sound.currentTime + 0.12);
  pitch.connect(loudness).connect(sound.destination);
  pitch.start();
  pitch.stop(sound.currentTime + 0.13);
}
