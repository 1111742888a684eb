import { Injectable, signal } from '@angular/core';
import { remember, remembered } from './memory';

/** Who is at the bench; stands beside every change and acceptance. */
@Injectable({ providedIn: 'root' })
export class PersonService {
  readonly name = signal(remembered('person') ?? 'bench');

  rename(name: string): void {
    const plain = name
      .replace(/[<>;\p{Cc}]/gu, '')
      .trim()
      .slice(0, 60);
    this.name.set(plain || 'bench');
    remember('person', this.name());
  }
}
