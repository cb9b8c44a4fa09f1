export { OutsideError, outsideOver, type Outside } from './client.ts';
