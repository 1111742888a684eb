import {
  ApplicationRef,
  type ComponentRef,
  createComponent,
  DestroyRef,
  Directive,
  ElementRef,
  EnvironmentInjector,
  inject,
  input,
  inputBinding,
  output,
  outputBinding,
  signal,
  type Type,
} from '@angular/core';
import { PlanStore } from '../state/plan-store';
import type { MenuItem } from './menu-item';

/** A button that opens a menu. What draws the menu is fetched when the first one is opened. */
@Directive({
  selector: 'button[ixMenu]',
  host: { 'aria-haspopup': 'menu', '[attr.aria-expanded]': 'open()', '(click)': 'show()' },
})
export class Menu {
  private readonly button = inject<ElementRef<HTMLButtonElement>>(ElementRef).nativeElement;
  private readonly environment = inject(EnvironmentInjector);
  private readonly application = inject(ApplicationRef);
  private readonly store = inject(PlanStore);
  readonly ixMenu = input.required<readonly MenuItem[]>();
  /** Trouble with what was chosen. */
  readonly ixMenuTrouble = input('');
  readonly ixMenuOpened = output();
  protected readonly open = signal(false);
  private list: ComponentRef<unknown> | undefined;
  private gone = false;

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.gone = true;
      this.list?.destroy();
    });
  }

  protected async show(): Promise<void> {
    if (this.open()) return;
    this.open.set(true);
    this.ixMenuOpened.emit();
    try {
      const { MenuList } = await import('./menu-list');
      if (!this.gone) this.list = this.put(MenuList);
    } catch {
      this.open.set(false);
      this.store.trouble.set('This menu cannot be loaded. Load the page again.');
    }
  }

  private put(list: Type<unknown>): ComponentRef<unknown> {
    const at = this.button.getBoundingClientRect();
    const made = createComponent(list, {
      environmentInjector: this.environment,
      bindings: [
        inputBinding('items', this.ixMenu),
        inputBinding('trouble', this.ixMenuTrouble),
        inputBinding('at', () => at),
        outputBinding('closed', () => {
          this.close();
        }),
      ],
    });
    this.button.ownerDocument.body.append(made.location.nativeElement as HTMLElement);
    this.application.attachView(made.hostView);
    return made;
  }

  private close(): void {
    this.open.set(false);
    this.button.focus();
    this.list?.destroy();
    this.list = undefined;
  }
}
