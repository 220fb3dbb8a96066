import { NewestSurveys, Survey, SurveyInput } from '@saltflat/contract';
import { Type } from 'typebox';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { SurveyService } from './surveyService.ts';

export const surveyEndpoints = (surveys: SurveyService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/surveys',
      summary: 'Every press with its newest survey',
      answer: NewestSurveys,
    },
    () => surveys.newest(),
  ),
  endpoint(
    {
      method: 'get',
      path: '/machines/:id/surveys',
      summary: 'Surveys of a press, newest first',
      answer: Type.Array(Survey),
    },
    ({ params }) => surveys.of(params.id ?? ''),
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
    ({ params, body }) => surveys.add(params.id ?? '', body),
  ),
];
