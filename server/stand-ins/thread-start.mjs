// Where a thread of the server begins: it reads TypeScript as the server itself does.
import { register } from 'tsx/esm/api';

register();
await import('./thread.ts');
