import type { PageId } from '../../core/source/index.ts';
import type { PageRow } from '../../core/rows/index.ts';

/** Fields with few values, of which every row that comes over has a text of its own. */
const OF_FEW = ['lang', 'titleFrom', 'descriptionFrom', 'kind', 'kindFrom', 'intent', 'intentFrom', 'state'] as const;
/** Fields that mostly say what they said before, or what another of the same row says. */
const OWN = ['id', 'address', 'name', 'ownName', 'title', 'description', 'phrase'] as const;

/** Rows of which equal texts are one text: what the worker sends is copied text by text, and thousands of rows would hold each many times over. */
export class SharedTexts {
  private readonly few = new Map<string, string>();

  /** Gives the same rows; `known` are those of the same pages that are here already. */
  share(rows: readonly PageRow[], known: { readonly get: (id: PageId) => PageRow | undefined }): readonly PageRow[] {
    for (const row of rows) {
      const here = known.get(row.id);
      // What came over a message is nobody else's yet.
      const texts = row as { -readonly [F in (typeof OF_FEW)[number] | (typeof OWN)[number]]: string | undefined };
      for (const field of OF_FEW) texts[field] = this.one(row[field]);
      for (const field of OWN) {
        const text = row[field];
        if (text === undefined) continue;
        if (here && here[field] === text) texts[field] = here[field];
        else if (field !== 'title' && text === row.title) texts[field] = row.title;
      }
    }
    return rows;
  }

  private one(text: string): string {
    const known = this.few.get(text);
    if (known !== undefined) return known;
    this.few.set(text, text);
    return text;
  }
}
