import type { Params } from '@angular/router';

/** One line of a menu: something to do, a way to go, or a choice that is on or off. */
export interface MenuItem {
  readonly text: string;
  /** What stands beside it, paler. */
  readonly second?: string;
  /** Its words are a figure. */
  readonly figure?: boolean;
  readonly icon?: string;
  readonly disabled?: boolean;
  /** It is one of several that may be on, or the only one. */
  readonly choice?: { readonly kind: 'checkbox' | 'radio'; readonly on: boolean };
  readonly link?: { readonly to: readonly string[]; readonly query?: Params };
  readonly file?: { readonly address: string; readonly save: boolean };
  readonly does?: () => void;
  /** The menu stays open after it. */
  readonly stays?: boolean;
}
