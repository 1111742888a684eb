import { computed, inject, Injectable, signal } from '@angular/core';
import type { Photo } from '@intervex/core';
import { filter, firstValueFrom, Subject, takeUntil } from 'rxjs';
import { ApiService } from './api.service';
import { sentenceOf } from './refusals';
import { PersonService } from './person.service';
import { PlanStore } from './plan-store';

interface PlacedPhoto extends Photo {
  readonly id: string;
}

/** Largest photo the server takes, bytes. */
const MOST_BYTES = 25 * 2 ** 20;

/** Photos of the open plan, by the place they belong to. */
@Injectable({ providedIn: 'root' })
export class PhotosService {
  private readonly api = inject(ApiService);
  private readonly person = inject(PersonService);
  private readonly store = inject(PlanStore);

  /** Places that wait for a photo to be kept. */
  readonly busy = signal<ReadonlySet<string>>(new Set());
  private readonly stopped = new Subject<string>();
  private readonly all = computed(() => this.store.plan().photos);
  private readonly byPlace = computed(() => {
    const map = new Map<string, PlacedPhoto[]>();
    for (const [id, photo] of Object.entries(this.all()))
      map.set(photo.place, [...(map.get(photo.place) ?? []), { id, ...photo }]);
    for (const list of map.values()) list.sort((a, b) => a.at.localeCompare(b.at));
    return map;
  });

  at(place: string): readonly PlacedPhoto[] {
    return this.byPlace().get(place) ?? [];
  }

  /** Keeps a photo and puts it at a place. @returns what went wrong, empty where nothing did */
  async add(place: string, file: File): Promise<string> {
    if (file.size > MOST_BYTES)
      return `${file.name} is ${(file.size / 2 ** 20).toFixed(0)} MB; a photo may have at most 25 MB.`;
    this.busy.update((all) => new Set([...all, place]));
    try {
      const sent = this.api
        .addPhoto(file, this.person.name())
        .pipe(takeUntil(this.stopped.pipe(filter((p) => p === place))));
      const stored = await firstValueFrom(sent, { defaultValue: undefined });
      if (!stored) return '';
      const who = this.person.name();
      this.store.put('photos', stored.id, { place, caption: '', who, at: new Date().toISOString() });
      this.store.saveNow();
      return '';
    } catch (error) {
      return `${file.name}: ${sentenceOf(error)}`;
    } finally {
      this.busy.update((all) => new Set([...all].filter((p) => p !== place)));
    }
  }

  /** Stops sending a photo to a place. */
  stop(place: string): void {
    this.stopped.next(place);
  }

  caption({ id, ...photo }: PlacedPhoto, caption: string): void {
    this.store.put('photos', id, { ...photo, caption: caption.trim().slice(0, 200) });
  }

  /** Takes a photo out of the plan; undo brings it back. */
  remove(id: string): void {
    this.store.put('photos', id, undefined);
    this.store.saveNow();
  }
}
