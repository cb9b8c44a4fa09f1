export { OutsideError, outsideOver, type DemoStory, type Outside } from './client.ts';
