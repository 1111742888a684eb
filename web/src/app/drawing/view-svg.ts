import {
  afterNextRender,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { captionText, type Dimension, type MarkHandle, type Shape, type View } from '@intervex/core';
import { SelectionService } from '../state/selection.service';
import { UnitsService } from '../state/units.service';
import { fitView, heightFor, layDimensions, pointsText, toModel, toPixel } from './view-layout';

/** A mark moved to a place, mm from the casting face. */
export interface MarkMove {
  readonly quantityId: string;
  readonly value: number;
}

/** Several handles may move one quantity. */
const handleKey = ({ id, quantityId }: MarkHandle): string => id ?? quantityId;

const saysLengths = ({ dimensions, captions }: View): boolean =>
  dimensions.length > 0 || captions.some(({ length }) => length !== undefined);

/** Steps of the arrow keys, mm. */
const STEP = 1;
const BIG_STEP = 10;

/** Draws a view to scale in its box: shapes, dimensions to click, marks to drag within their limits. */
@Component({
  selector: 'ix-view',
  templateUrl: './view-svg.html',
  styleUrl: './view-svg.scss',
  host: { '[style.height.px]': 'height()' },
})
export class ViewSvg {
  private readonly units = inject(UnitsService);
  private readonly selection = inject(SelectionService);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  readonly view = input.required<View>();
  /** Small and without words. */
  readonly quiet = input(false);
  /** As on paper: nothing to drag. */
  readonly still = input(false);
  readonly moved = output<MarkMove>();
  /** A drag has begun, or ended. */
  readonly held = output<boolean>();

  private readonly size = signal({ width: 720, height: 380 });
  private readonly dragging = signal('');
  protected readonly box = this.size.asReadonly();
  /** A quiet picture takes the height its place gives it. */
  protected readonly height = computed(() =>
    this.quiet() ? undefined : heightFor(this.view(), this.size().width),
  );
  protected readonly transform = computed(() => fitView(this.drawn(), this.size().width, this.size().height));
  /** On a small picture only the outline is shown. */
  private readonly drawn = computed<View>(() =>
    this.quiet() ? { ...this.view(), dimensions: [], handles: [], captions: [] } : this.view(),
  );
  protected readonly shapes = computed(() => {
    const t = this.transform();
    const lit = this.selection.focused();
    return this.drawn().shapes.map((shape) => ({
      shape,
      lit: shape.at !== undefined && shape.at === lit,
      points: shape.kind === 'circle' ? '' : pointsText(t, shape.points),
      ...circle(shape, t),
    }));
  });
  protected readonly dimensions = computed(() =>
    layDimensions(this.drawn(), this.transform(), this.box().width, (d, short) => this.print(d, short)),
  );
  protected readonly handles = computed(() =>
    this.still()
      ? []
      : this.drawn().handles.map((handle) => ({ handle, at: toPixel(this.transform(), handle.at) })),
  );
  protected readonly captions = computed(() =>
    this.drawn().captions.map((caption) => ({
      caption,
      text: captionText(caption, (mm) => this.units.bare(mm)),
      at: toPixel(this.transform(), caption.at),
    })),
  );
  protected readonly scaleText = computed(
    () =>
      `1 : ${Math.max(1, Math.round(96 / 25.4 / this.transform().k))}${saysLengths(this.drawn()) ? `, lengths in ${this.unit()}` : ''}`,
  );
  protected readonly table = computed(() =>
    this.view().dimensions.map((d) => ({ label: d.label, text: this.units.show(d.value, 'mm') })),
  );

  constructor() {
    const destroyed = inject(DestroyRef);
    afterNextRender(() => {
      const measure = () => {
        const { clientWidth: width, clientHeight: height } = this.host.nativeElement;
        if (width > 0 && height > 0) this.size.set({ width, height });
      };
      measure();
      const observer = new ResizeObserver(measure);
      observer.observe(this.host.nativeElement);
      destroyed.onDestroy(() => {
        observer.disconnect();
      });
    });
  }

  protected readonly handleKey = handleKey;

  protected lit = (d: Dimension): boolean =>
    d.quantityId !== undefined && d.quantityId === this.selection.focused();

  /** A dimension that somebody may change goes to its field; a derived one opens its working. */
  protected open(d: Dimension): void {
    if (d.quantityId && document.querySelector(`[data-quantity="${d.quantityId}"]`))
      this.selection.goTo(d.quantityId);
    else this.selection.explain(d.figureId);
  }

  protected start(event: PointerEvent, handle: MarkHandle): void {
    event.preventDefault();
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.dragging.set(handleKey(handle));
    this.held.emit(true);
    this.selection.focused.set(handle.quantityId);
  }

  protected drag(event: PointerEvent, handle: MarkHandle): void {
    if (this.dragging() !== handleKey(handle)) return;
    const box = this.host.nativeElement.getBoundingClientRect();
    const t = this.transform();
    const [u] = toModel(t, [event.clientX - box.left, event.clientY - box.top]);
    const origin = handle.at[0] - handle.direction * handle.value;
    this.move(handle, Math.round((u - origin) / handle.direction));
  }

  protected end(): void {
    if (this.dragging() === '') return;
    this.dragging.set('');
    this.selection.focused.set('');
    this.held.emit(false);
  }

  protected key(event: KeyboardEvent, handle: MarkHandle): void {
    const size = event.shiftKey ? BIG_STEP : STEP;
    const steps: Readonly<Record<string, number>> = {
      ArrowRight: size * Math.sign(handle.direction),
      ArrowLeft: -size * Math.sign(handle.direction),
      ArrowUp: size,
      ArrowDown: -size,
    };
    const to =
      event.key === 'Home'
        ? handle.min
        : event.key === 'End'
          ? handle.max
          : handle.value + (steps[event.key] ?? Number.NaN);
    if (Number.isNaN(to)) return;
    event.preventDefault();
    this.move(handle, to);
  }

  protected readonly unit = computed(() => (this.units.unit() === 'mm' ? 'mm' : 'inch'));

  protected show(mm: number): string {
    return this.units.show(mm, 'mm');
  }

  private move(handle: MarkHandle, value: number): void {
    const held = Math.min(Math.max(value, handle.min), handle.max);
    if (held !== handle.value) this.moved.emit({ quantityId: handle.quantityId, value: held });
  }

  private print(d: Dimension, short = false): string {
    const text = this.units.bare(d.value);
    const signed = d.signed && d.value > 0 ? `+${text}` : text;
    return d.name && !short ? `${d.name} ${signed}` : signed;
  }
}

function circle(shape: Shape, t: { k: number; x: number; y: number }) {
  if (shape.kind !== 'circle') return { cx: 0, cy: 0, r: 0 };
  const [cx, cy] = toPixel(t, shape.centre);
  return { cx, cy, r: shape.radius * t.k };
}
