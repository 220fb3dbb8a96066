export { Bench } from './Bench.tsx';
export { PressView } from './PressView.tsx';
export { SurveyForm } from './SurveyForm.tsx';
