import { afterNextRender, type Injector } from '@angular/core';
import { REVEAL } from './panel-group';

/** Opens the group in which a field stands folded, brings it into the middle of what is seen, and gives it focus. */
export function comeTo(
  field: HTMLElement,
  injector: Injector,
  focus = () => {
    field.focus();
  },
): void {
  field.dispatchEvent(new CustomEvent(REVEAL, { bubbles: true }));
  // What is folded can take focus only once it is unfolded.
  afterNextRender(
    () => {
      field.scrollIntoView({ block: 'center' });
      focus();
    },
    { injector },
  );
}
