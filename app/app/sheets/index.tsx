export { SheetsScreen as default } from '../../features/sheets/SheetsScreen';
