export { BackupNotice } from './BackupNotice.tsx';
