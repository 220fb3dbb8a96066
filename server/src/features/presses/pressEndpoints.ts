import {
  BenchNote,
  BenchNoteInput,
  Calibration,
  CalibrationInput,
  PressChecks,
  PressureTest,
  PressureTestInput,
  Survey,
  SurveyInput,
} from '@saltflat/contract';
import { Type } from 'typebox';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { BenchNoteService } from './benchNoteService.ts';
import type { PressCheckService } from './pressCheckService.ts';

const surveyEndpoints = (checks: PressCheckService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/machines/:id/surveys',
      summary: 'Surveys of a press, newest first',
      answer: Type.Array(Survey),
    },
    ({ params }) => checks.of(params.id ?? '', 'survey'),
  ),
  endpoint(
    {
      method: 'post',
      path: '/machines/:id/surveys',
      summary: 'A press’s plate was measured spot by spot',
      body: SurveyInput,
      answer: Survey,
      status: 201,
    },
    ({ params, body }) => checks.addSurvey(params.id ?? '', body),
  ),
];

const pressureEndpoints = (checks: PressCheckService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/machines/:id/pressure-tests',
      summary: 'Tests of a press’s pressure scale, newest first',
      answer: Type.Array(PressureTest),
    },
    ({ params }) => checks.of(params.id ?? '', 'pressure'),
  ),
  endpoint(
    {
      method: 'post',
      path: '/machines/:id/pressure-tests',
      summary: 'A press’s pressure scale was tested mark by mark',
      body: PressureTestInput,
      answer: PressureTest,
      status: 201,
    },
    ({ params, body }) => checks.addPressure(params.id ?? '', body),
  ),
];

const calibrationEndpoints = (checks: PressCheckService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/machines/:id/calibrations',
      summary: 'Calibrations of a press, newest first',
      answer: Type.Array(Calibration),
    },
    ({ params }) => checks.of(params.id ?? '', 'calibration'),
  ),
  endpoint(
    {
      method: 'post',
      path: '/machines/:id/calibrations',
      summary: 'A press cycle was read from the inside, or recipes were washed',
      body: CalibrationInput,
      answer: Calibration,
      status: 201,
    },
    ({ params, body }) => checks.addCalibration(params.id ?? '', body),
  ),
];

export const pressEndpoints = (checks: PressCheckService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/presses',
      summary: 'Every press with what was measured of it last',
      answer: PressChecks,
    },
    () => checks.newest(),
  ),
  ...surveyEndpoints(checks),
  ...pressureEndpoints(checks),
  ...calibrationEndpoints(checks),
];

export const benchEndpoints = (notes: BenchNoteService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/bench-notes',
      summary: 'Notes of stacks that were tried, newest first',
      answer: Type.Array(BenchNote),
    },
    () => notes.all(),
  ),
  endpoint(
    {
      method: 'post',
      path: '/bench-notes',
      summary: 'Stacks that were tried are noted',
      body: BenchNoteInput,
      answer: BenchNote,
      status: 201,
    },
    ({ body }) => notes.add(body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/bench-notes/:id/removal',
      summary: 'A note of the bench is thrown away',
      answer: BenchNote,
    },
    ({ params }) => notes.remove(params.id ?? ''),
  ),
];
