export { printerEndpoints } from './printerEndpoints.ts';
export { PrinterService } from './printerService.ts';
