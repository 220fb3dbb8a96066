export { EnterDialog } from './EnterDialog.tsx';
export { PacketView } from './PacketView.tsx';
export { ShelfTable } from './ShelfTable.tsx';
