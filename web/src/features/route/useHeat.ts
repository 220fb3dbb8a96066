import { usualConditions } from '@saltflat/core/heat';
import type { HeatBands, HeatConditions, HeatStory, RouteInHeat } from '@saltflat/core/heat';
import type { Route } from '@saltflat/core/route';
import { TaskCancelled } from '@saltflat/core/task';
import { useEffect, useMemo, useState } from 'react';
import { t } from '../../words/index.ts';
import { heatTasks } from '../../worker/heatClient.ts';
import type { MeasuredPlate } from './usePresses.ts';

export interface RouteHeat {
  asked: RouteInHeat;
  conditions: HeatConditions;
  story: HeatStory;
  /** How far the model may be off; `null` until it is worked out. */
  bands: HeatBands | null;
}

/** What the model has to say of a route, as far as it has come. */
export interface HeatState {
  /** Of the route as it is now, or as it was until the new one is here. */
  heat: RouteHeat | null;
  /** Share of the bands that is worked out; 1 once they are here. */
  share: number;
  problem: string;
}

/** Bands take hundreds of runs: they wait until the hand rests, ms. */
const BANDS_AFTER_MS = 350;

/**
 * Has the model work a route out in its own thread: the story at once, the bands when nothing more is changed.
 *
 * @param presses what surveys found; `null` while that is not read
 * @param blank what lies under the plate; `null` where nobody knows, then there is no story
 */
export function useHeat(
  route: Route,
  pieces: number,
  blank: HeatConditions['garment'] | null,
  presses: readonly MeasuredPlate[] | null,
): HeatState {
  const [state, setState] = useState<HeatState>({ heat: null, share: 0, problem: '' });
  const question = useMemo(() => {
    if (blank === null) return null;
    const { operations, prints, flow } = route;
    const { kind, fibres, dye, features } = blank;
    const seen = prints.map(({ id, heatedAgain }) => ({ id, heatedAgain }));
    return {
      route: { operations, prints: seen, flow, pieces },
      conditions: { ...usualConditions({ kind, fibres, dye, features }), presses: knownOf(presses) },
    };
  }, [route, pieces, blank, presses]);
  useEffect(() => {
    if (question === null) return undefined;
    let isGone = false;
    const story = heatTasks.ask('story', question);
    let bands: ReturnType<typeof askBands> | null = null;
    const askBands = () =>
      heatTasks.ask('bands', question, (share) => {
        if (!isGone) setState((before) => ({ ...before, share }));
      });
    const fail = (error: unknown): void => {
      if (!isGone && !(error instanceof TaskCancelled))
        setState((before) => ({
          ...before,
          problem: t('The heat model stopped: {why}', { why: String(error) }),
        }));
    };
    story.answer.then((found) => {
      const heat = { asked: question.route, conditions: question.conditions, story: found, bands: null };
      if (!isGone) setState({ heat, share: 0, problem: '' });
    }, fail);
    const timer = setTimeout(() => {
      bands = askBands();
      bands.answer.then((found) => {
        if (!isGone)
          setState((before) => ({
            ...before,
            share: 1,
            heat: before.heat && { ...before.heat, bands: found },
          }));
      }, fail);
    }, BANDS_AFTER_MS);
    return () => {
      isGone = true;
      clearTimeout(timer);
      story.cancel();
      bands?.cancel();
    };
  }, [question]);
  return question === null ? { heat: null, share: 0, problem: '' } : state;
}

const knownOf = (presses: readonly MeasuredPlate[] | null): HeatConditions['presses'] =>
  Object.fromEntries((presses ?? []).flatMap(({ id, here }) => (here ? [[id, here.known]] : [])));
