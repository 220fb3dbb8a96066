export { surveyEndpoints } from './surveyEndpoints.ts';
export { SurveyService } from './surveyService.ts';
