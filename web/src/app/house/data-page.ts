import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import type { DataView, PhotoView, RemovedView, RestoreView } from '@intervex/contract/wire';
import { PlainTop } from '../shared/plain-top';
import { HouseService } from '../state/house.service';
import { refusalOf } from '../state/refusals';
import { Attempt } from './attempt';
import { sizeText, timeText } from './times';

/** The word that says a restore is meant. */
const WORD = 'restore';
/** Photos of one page of their list. */
const PHOTOS = 24;

/** Where the data stand, backups out and in, and what was taken off the lists. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-data-page',
  imports: [MatButtonModule, MatIconModule, PlainTop],
  templateUrl: './data-page.html',
  styleUrl: './house.scss',
})
export class DataPage {
  private readonly house = inject(HouseService);
  protected readonly attempt = new Attempt();
  protected readonly data = signal<DataView | undefined>(undefined);
  protected readonly photos = signal<readonly PhotoView[]>([]);
  protected readonly morePhotos = signal(false);
  /** Photo that is about to be removed. */
  protected readonly removing = signal('');
  protected readonly removed = signal<readonly RemovedView[]>([]);
  /** What is to be put back: a file, or what was set aside under a name. */
  protected readonly wanted = signal<File | string | undefined>(undefined);
  protected readonly word = signal('');
  protected readonly restored = signal<RestoreView | { readonly aside: string } | undefined>(undefined);
  protected readonly WORD = WORD;
  protected readonly timeText = timeText;
  protected readonly sizeText = sizeText;

  constructor() {
    void this.load();
  }

  protected async load(): Promise<void> {
    await this.attempt.run(async () => {
      const [data, removed, photos] = await Promise.all([
        this.house.data(),
        this.house.removed(),
        this.house.photos(),
      ]);
      this.photos.set(photos);
      this.morePhotos.set(photos.length === PHOTOS);
      this.data.set(data);
      this.removed.set(removed);
    });
  }

  protected async backup(): Promise<void> {
    if (await this.attempt.run(() => this.house.backup())) await this.load();
  }

  protected choose(input: HTMLInputElement): void {
    const file = input.files?.[0];
    input.value = '';
    this.ask(file);
  }

  protected ask(wanted: File | string | undefined): void {
    this.wanted.set(wanted);
    this.word.set('');
    this.revives.set([]);
    this.restored.set(undefined);
  }

  protected nameOf(wanted: File | string): string {
    return typeof wanted === 'string' ? asideText(wanted) : `${wanted.name}, ${sizeText(wanted.size)}`;
  }

  protected asideText = asideText;

  /** Whom the restore lets in again, where that was asked. */
  protected readonly revives = signal<readonly string[]>([]);

  /** @param meant that those come back whom it was asked about */
  protected async restore(meant = false): Promise<void> {
    const wanted = this.wanted();
    if (!wanted || this.word().trim().toLowerCase() !== WORD) return;
    const say = meant ? ({ revives: 'yes' } as const) : {};
    let asked: readonly string[] = [];
    const done = await this.attempt.run(async () => {
      try {
        this.restored.set(
          typeof wanted === 'string'
            ? await this.house.bringBackAside(wanted, say)
            : await this.house.restore(wanted, say),
        );
      } catch (error) {
        const refusal = refusalOf(error);
        if (refusal?.error !== 'revives') throw error;
        asked = refusal.problems.map(({ wrong }) => wrong.replace(/^would come back: /, ''));
      }
    });
    this.revives.set(asked);
    if (!done || asked.length) return;
    this.wanted.set(undefined);
    await this.load();
  }

  protected told(done: RestoreView | { readonly aside: string }): string {
    const kept = done.aside ? ` What was here before is kept aside (${asideText(done.aside)}).` : '';
    return 'madeAt' in done
      ? `Put back as of ${timeText(done.madeAt)}: ${done.projects} projects, ${done.revisions} revisions, ${done.photos} photos.${kept}`
      : `What had been set aside is back.${kept}`;
  }

  protected async olderPhotos(): Promise<void> {
    await this.attempt.run(async () => {
      const next = await this.house.photos(this.photos().at(-1)?.id);
      this.photos.update((list) => [...list, ...next]);
      this.morePhotos.set(next.length === PHOTOS);
    });
  }

  protected async removePhoto(id: string): Promise<void> {
    this.removing.set('');
    if (await this.attempt.run(() => this.house.removePhoto(id))) await this.load();
  }

  protected async bringBack(id: string): Promise<void> {
    if (await this.attempt.run(() => this.house.bringBack(id))) await this.load();
  }
}

/** `aside_20261127081455123` as a time. */
function asideText(name: string): string {
  const [, y, m, d, h, min] = /^aside_(\d{4})(\d\d)(\d\d)(\d\d)(\d\d)/.exec(name) ?? [];
  return y ? `set aside ${timeText(`${y}-${m}-${d}T${h}:${min}:00Z`)}` : name;
}
