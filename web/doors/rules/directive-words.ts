import type { DirectiveField } from '../../../core/site/index.ts';

/** One thing that can be said about what engines may do. */
export type DirectiveChoice =
  | { readonly field: DirectiveField; readonly label: string; readonly kind: 'choice'; readonly options: readonly (readonly [string, string])[] }
  | {
      readonly field: DirectiveField;
      readonly label: string;
      readonly kind: 'limit';
      readonly options: readonly (readonly [string, string])[];
      readonly start: number;
      readonly unit: string;
    }
  | { readonly field: DirectiveField; readonly label: string; readonly kind: 'date' };

const YES_NO = (yes: string, no: string) =>
  [
    ['yes', yes],
    ['no', no],
  ] as const;

export const DIRECTIVE_CHOICES: readonly DirectiveChoice[] = [
  { field: 'follow', label: 'Links on it', kind: 'choice', options: YES_NO('follow them', 'do not follow them') },
  {
    field: 'snippet',
    label: 'Text in results',
    kind: 'limit',
    options: [
      ['-1', 'as much as engines like'],
      ['0', 'none'],
      ['most', 'at most …'],
    ],
    start: 160,
    unit: 'characters',
  },
  {
    field: 'image',
    label: 'Picture in results',
    kind: 'choice',
    options: [
      ['large', 'large'],
      ['standard', 'small'],
      ['none', 'none'],
    ],
  },
  {
    field: 'video',
    label: 'Video preview',
    kind: 'limit',
    options: [
      ['-1', 'as long as engines like'],
      ['0', 'a still picture'],
      ['most', 'at most …'],
    ],
    start: 10,
    unit: 'seconds',
  },
  { field: 'archive', label: 'A stored copy', kind: 'choice', options: YES_NO('may be shown', 'must not be shown') },
  { field: 'translate', label: 'A translation', kind: 'choice', options: YES_NO('may be offered', 'must not be offered') },
  { field: 'pictures', label: 'Its pictures on their own', kind: 'choice', options: YES_NO('may be listed', 'must not be listed') },
  { field: 'until', label: 'Listed until', kind: 'date' },
];

/** One word of the owner, told short. */
export function directivePhrase(field: DirectiveField, value: string | number): string {
  switch (field) {
    case 'follow':
      return value === 'no' ? 'links not followed' : 'links followed';
    case 'snippet':
      return value === 0 ? 'no text' : value === -1 ? 'any length of text' : `at most ${value} characters`;
    case 'image':
      return value === 'none' ? 'no picture' : value === 'standard' ? 'a small picture' : 'a large picture';
    case 'video':
      return value === 0 ? 'no moving preview' : value === -1 ? 'any length of video' : `at most ${value} s of video`;
    case 'archive':
      return value === 'no' ? 'no stored copy' : 'a stored copy';
    case 'translate':
      return value === 'no' ? 'no translation' : 'a translation';
    case 'pictures':
      return value === 'no' ? 'pictures not listed' : 'pictures listed';
    case 'until':
      return value === '' ? 'no end' : `until ${value}`;
  }
}
