import { inject, Injectable, signal } from '@angular/core';
import type { DrawingAnswer } from '@intervex/contract/wire';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../../state/api.service';
import { sentenceOf } from '../../state/refusals';

/** Largest drawing that is sent. */
const MOST_BYTES = 5 * 2 ** 20;

/** Reads hole patterns from drawings. Whoever reads provides its own. */
@Injectable()
export class DrawingService {
  private readonly api = inject(ApiService);
  readonly trouble = signal('');
  readonly answer = signal<DrawingAnswer | undefined>(undefined);

  async read(file: File, units: '' | 'mm' | 'in'): Promise<void> {
    this.answer.set(undefined);
    this.trouble.set('');
    if (file.size > MOST_BYTES) {
      const megabytes = Math.round(file.size / 2 ** 20);
      this.trouble.set(`${file.name} is ${megabytes} MB: at most 5 MB. Save only the flange.`);
      return;
    }
    try {
      this.answer.set(await firstValueFrom(this.api.readDrawing(file, units)));
    } catch (error) {
      this.trouble.set(sentenceOf(error));
    }
  }
}
