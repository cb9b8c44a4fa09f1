export { Copyable } from './Copyable.tsx';
export { Empty } from './Empty.tsx';
export { Segments } from './Segments.tsx';
export { useRemembered } from './remembered.ts';
export { useHotkey } from './hotkey.ts';
export { download } from './download.ts';
export { Busy } from './Busy.tsx';
