export { BlankStore } from './blankStore.ts';
export { ChangeStore } from './changeStore.ts';
export { EquipmentStore } from './equipmentStore.ts';
export { ImportService } from './importService.ts';
export { SettingStore } from './settingStore.ts';
export { shopEndpoints } from './shopEndpoints.ts';
export { ShopService } from './shopService.ts';
