export { HoursView } from './hours/HoursView.tsx';
export { TimesPanel } from './hours/TimesPanel.tsx';
export { PlanView } from './PlanView.tsx';
