export { HoursView } from './hours/HoursView.tsx';
export { PlanView } from './PlanView.tsx';
