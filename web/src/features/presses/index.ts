export { Bench } from './bench/Bench.tsx';
export type { Variant } from './bench/variant.ts';
export { CalibrationForm } from './calibration/CalibrationForm.tsx';
export { CalibrationView } from './calibration/CalibrationView.tsx';
export { PressureForm } from './pressure/PressureForm.tsx';
export { PressureView } from './pressure/PressureView.tsx';
export { PlateView } from './survey/PlateView.tsx';
export { useMiddleOffset } from './survey/useMiddleOffset.ts';
export { SurveyForm } from './survey/SurveyForm.tsx';
