export { EnterDialog } from './EnterDialog.tsx';
export { PacketView } from './PacketView.tsx';
export { RunningShort } from './RunningShort.tsx';
export { ShelfTable } from './ShelfTable.tsx';
