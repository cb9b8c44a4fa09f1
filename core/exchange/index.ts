export * from './answers.ts';
export * from './api.ts';
export { openProject, PROJECT_ENTRY, PROJECT_FILES, PROJECT_FORMAT, projectSchema, type OpenedProject, type ProjectFile } from './project-file.ts';
