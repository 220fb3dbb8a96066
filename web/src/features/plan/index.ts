export { PlanView } from './PlanView.tsx';
