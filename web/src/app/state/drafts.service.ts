import { Injectable, signal } from '@angular/core';

/** Text that was typed and refused: kept, with its field, until it is put right. */
@Injectable({ providedIn: 'root' })
export class DraftsService {
  private readonly drafts = signal<Readonly<Record<string, string>>>({});

  get(key: string): string | undefined {
    return this.drafts()[key];
  }

  keep(key: string, text: string): void {
    this.drafts.update((all) => ({ ...all, [key]: text }));
  }

  drop(key: string): void {
    if (!(key in this.drafts())) return;
    this.drafts.update(({ [key]: _gone, ...rest }) => rest);
  }
}
