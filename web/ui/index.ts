export { Copyable } from './Copyable.tsx';
export { Empty } from './Empty.tsx';
export { Segments } from './Segments.tsx';
export { useRemembered } from './remembered.ts';
export { useHotkey } from './hotkey.ts';
export { download } from './download.ts';
export { Busy } from './Busy.tsx';
export { hearNotes, note, takeNotes, type Note } from './notes.ts';
export { useSettled } from './settled.ts';
