import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import {
  captionText,
  heightFor,
  layDimensions,
  layOut,
  placeWords,
  pointsText,
  SCREEN,
  toModel,
  toldFine,
  toPixel,
  WHOLE,
  zoomed,
  zoomTo,
  type Frame,
  type LaidDimension,
  type ViewTransform,
  type Zoom,
  findQuantity,
  quantityName,
  type Dimension,
  type MarkHandle,
  type Shape,
  type View,
} from '@intervex/core';
import { PlanStore } from '../state/plan-store';
import { SelectionService } from '../state/selection.service';
import { UnitsService } from '../state/units.service';
import { DimensionEditor } from './dimension-editor';
import { shapeName } from './shape-names';
import { ViewWords } from './view-words';
import type { Zooming } from './zoom';
import { zoomByKey, zoomWhenAsked } from './zooming';

/** A mark moved to a place, mm from the casting face. */
export interface MarkMove {
  readonly quantityId: string;
  readonly value: number;
  /** What moved across that way, where the handle goes both ways. */
  readonly other?: { readonly quantityId: string; readonly value: number };
}

/** Several handles may move one quantity. */
const handleKey = ({ id, quantityId }: MarkHandle): string => id ?? quantityId;

const saysLengths = ({ dimensions, captions }: View): boolean =>
  dimensions.length > 0 || captions.some(({ length }) => length !== undefined);

/** Step of an angle that is dragged, rad: a twentieth of a degree. */
const ANGLE_STEP = Math.PI / 3600;
/** How many steps an arrow key moves with Shift. */
const BIG = 10;
/** How much a double click enlarges at most. */
const CLOSE_UP = 12;
/** Width of the field that is opened in the picture. */
const EDITOR_PX = 380;

/** Handle, where it stood, and where it was sent to. */
const NOTHING_SENT = { key: '', was: 0, value: 0 };

/** What a pointer stands on, and where. */
interface Hovered {
  readonly x: number;
  readonly y: number;
  readonly text: string;
}

/**
 * Draws a view to scale in its box: shapes with their names, dimensions to click and edit where they stand, marks to
 * drag within their limits. Wheel, pinch, drag and keys enlarge and move it; a double click goes close to a thing.
 */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-view',
  imports: [DimensionEditor, MatIconModule, ViewWords],
  templateUrl: './view-svg.html',
  styleUrl: './view-svg.scss',
  host: { '[style.height.px]': 'height()', '[class.close]': 'isClose()' },
})
export class ViewSvg {
  private readonly units = inject(UnitsService);
  private readonly store = inject(PlanStore);
  private readonly selection = inject(SelectionService);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly svg = viewChild.required<ElementRef<SVGSVGElement>>('svg');

  readonly view = input.required<View>();
  /** Small and without words. */
  readonly quiet = input(false);
  /** As on paper: nothing to drag. */
  readonly still = input(false);
  /** It takes the height its place gives it; else it is as high as it has to be. */
  readonly fill = input(false);
  readonly moved = output<MarkMove>();
  /** A thing was clicked on: the place it stands for. */
  readonly picked = output<string>();
  /** A drag has begun, or ended. */
  readonly held = output<boolean>();

  private readonly size = signal({ width: 720, height: 380 });
  private readonly dragging = signal('');
  /** How far from its place in the drawing a handle was taken hold of, mm: that is no move. */
  private grip = 0;
  private gripAcross = 0;
  /** Where a handle was last sent from and to. */
  private sent = NOTHING_SENT;
  private readonly zoom = signal<Zoom>(WHOLE);
  private zooming: Zooming | undefined;
  protected readonly hovered = signal<Hovered | undefined>(undefined);
  /** Quantity that is edited in the picture, and where. */
  protected readonly editing = signal<{ id: string; x: number; y: number } | undefined>(undefined);
  protected readonly box = this.size.asReadonly();
  protected readonly isClose = computed(() => this.zoom().k > 1);
  protected readonly height = computed(() =>
    this.quiet() || this.fill() ? undefined : heightFor(this.view(), this.size().width),
  );
  private readonly frame = computed((): Frame => {
    this.units.unit();
    return { ...this.size(), m: SCREEN, print: (d, short) => this.printed(d, short) };
  });
  private readonly layout = computed(() => layOut(this.drawn(), this.frame()));
  protected readonly zoomText = computed(() => {
    const { k, x, y } = this.zoom();
    return `translate(${x} ${y}) scale(${k})`;
  });
  protected readonly transform = computed(() => zoomed(this.layout().fitted, this.zoom()));
  /** On a small picture only the outline is shown. */
  private readonly drawn = computed<View>(() =>
    this.quiet() ? { ...this.view(), dimensions: [], handles: [], captions: [] } : this.view(),
  );
  protected readonly shapes = computed(() => {
    const t = this.layout().fitted;
    const [lit, picked] = [this.selection.focused(), this.selection.picked()];
    return this.drawn().shapes.map((shape) => ({
      shape,
      lit: shape.at !== undefined && (shape.at === lit || shape.at === picked),
      points: shape.kind === 'circle' ? '' : pointsText(t, shape.points),
      ...circle(shape, t),
    }));
  });
  protected readonly dimensions = computed(() =>
    layDimensions(this.drawn(), this.transform(), this.frame(), this.layout().rows),
  );
  protected readonly handles = computed(() =>
    this.still()
      ? []
      : this.drawn().handles.map((handle) => ({ handle, at: toPixel(this.transform(), handle.at) })),
  );
  protected readonly captions = computed(() => {
    const t = this.transform();
    const words = this.drawn().captions.map((caption) => {
      const [x, y] = toPixel(t, caption.at);
      const text = captionText(caption, (mm) => (caption.fine ? this.units.bare(mm) : this.units.bareTape(mm)));
      return { text, x, y, anchor: caption.anchor };
    });
    return placeWords(words, this.dimensions(), this.box(), this.footWidth());
  });
  /** What scale and buttons take of the lower right corner, px. */
  private readonly footWidth = computed(() => (this.quiet() ? 0 : 96 + 7.3 * this.scaleText().length));
  protected readonly scaleText = computed(
    () => `${scaleOf(this.transform())}${saysLengths(this.drawn()) ? `, lengths in ${this.unit()}` : ''}`,
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
      if (!this.quiet()) this.zooming = zoomWhenAsked(this.svg().nativeElement, (zoom) => this.zoom.set(zoom));
      destroyed.onDestroy(() => {
        observer.disconnect();
        this.zooming?.end();
      });
    });
    // What was sent is drawn now, or something else is.
    effect(() => {
      this.view();
      this.sent = NOTHING_SENT;
    });
    // Another drawing begins whole; the same one with other numbers stays where it is.
    const title = computed(() => this.view().title);
    effect(() => {
      title();
      this.zooming?.whole();
      this.editing.set(undefined);
    });
  }

  protected readonly handleKey = handleKey;

  protected lit = (d: Dimension): boolean =>
    d.quantityId !== undefined && d.quantityId === this.selection.focused();

  /** A dimension that was read is changed where it stands; a derived one opens its working. */
  protected open(d: Dimension, x: number, y: number): void {
    if (!d.quantityId || this.still()) {
      this.selection.explain(d.figureId);
      return;
    }
    this.selection.focused.set(d.quantityId);
    const { width } = this.box();
    this.editing.set({
      id: d.quantityId,
      x: Math.max(8, Math.min(x - EDITOR_PX / 2, width - EDITOR_PX - 8)),
      y,
    });
  }

  protected closeEditor(): void {
    this.editing.set(undefined);
    this.selection.focused.set('');
  }

  protected enlarge(factor: number): void {
    this.zooming?.by(factor);
  }

  protected whole(): void {
    this.zooming?.whole();
  }

  /** Keys of the picture itself; those of dimensions and marks stay theirs. */
  protected keyed(event: KeyboardEvent): void {
    if (event.target !== this.svg().nativeElement || event.ctrlKey || event.metaKey || event.altKey) return;
    if (this.zooming && zoomByKey(this.zooming, event.key)) event.preventDefault();
  }

  /** Goes close to what was double-clicked; once close, back to the whole. */
  protected closeUp(event: MouseEvent): void {
    const shape = this.shapeAt(event);
    if (!shape || this.isClose()) this.whole();
    else this.zooming?.to(zoomTo(this.layout().fitted, this.box(), pointsOf(shape), CLOSE_UP));
  }

  protected over(event: PointerEvent): void {
    const shape = event.pointerType === 'touch' || this.dragging() !== '' ? undefined : this.shapeAt(event);
    const text = shape ? this.nameOf(shape) : '';
    const box = this.host.nativeElement.getBoundingClientRect();
    this.hovered.set(text ? { x: event.clientX - box.left, y: event.clientY - box.top, text } : undefined);
  }

  /** A click on a thing that is no reading picks it. */
  protected pick(event: MouseEvent): void {
    const at = this.shapeAt(event)?.at;
    if (at !== undefined) this.picked.emit(at);
  }

  protected out(): void {
    this.hovered.set(undefined);
  }

  private shapeAt(event: MouseEvent): Shape | undefined {
    const i = event.target instanceof Element ? event.target.getAttribute('data-shape') : null;
    return i === null ? undefined : this.drawn().shapes[Number(i)];
  }

  /** What a shape is, and its size where it stands for a reading. */
  private nameOf(shape: Shape): string {
    const q = shape.at === undefined ? undefined : findQuantity(shape.at);
    const known = q && this.store.now().known.get(q.id);
    const name = shape.name ?? (q ? quantityName(q) : shapeName(shape.style));
    if (!q) return name;
    return `${name}: ${known ? this.units.figure(known.figure) : 'not read'}`;
  }

  protected start(event: PointerEvent, handle: MarkHandle): void {
    event.preventDefault();
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.dragging.set(handleKey(handle));
    this.grip = this.pointed(event, handle) - handle.at[wayOf(handle)];
    this.gripAcross = this.pointed(event, handle, true) - handle.at[acrossOf(handle)];
    this.held.emit(true);
    this.selection.focused.set(handle.quantityId);
    if (handle.place) this.picked.emit(handle.place);
  }

  protected drag(event: PointerEvent, handle: MarkHandle): void {
    if (this.dragging() !== handleKey(handle)) return;
    const origin = handle.at[wayOf(handle)] - handle.direction * handle.value;
    const step = this.stepOf(handle);
    const to = (this.pointed(event, handle) - this.grip - origin) / handle.direction;
    this.move(handle, Math.round(to / step) * step, this.across(event, handle));
  }

  /** Where a handle that goes both ways was drawn to across its way. */
  private across(event: PointerEvent, handle: MarkHandle): number | undefined {
    const { other } = handle;
    if (!other) return undefined;
    const origin = handle.at[acrossOf(handle)] - other.direction * other.value;
    const to = (this.pointed(event, handle, true) - this.gripAcross - origin) / other.direction;
    return Math.round(to / ANGLE_STEP) * ANGLE_STEP;
  }

  /** Where the pointer is in the drawing, along the way a handle goes or across it, mm. */
  private pointed(event: PointerEvent, handle: MarkHandle, across = false): number {
    const box = this.host.nativeElement.getBoundingClientRect();
    const at = toModel(this.transform(), [event.clientX - box.left, event.clientY - box.top]);
    return at[across ? acrossOf(handle) : wayOf(handle)];
  }

  protected end(): void {
    if (this.dragging() === '') return;
    this.dragging.set('');
    this.selection.focused.set('');
    this.held.emit(false);
  }

  protected key(event: KeyboardEvent, handle: MarkHandle): void {
    if (this.keyAcross(event, handle)) return;
    // A key may come before what the last one did is drawn.
    const { was, value, key } = this.sent;
    const now = key === handleKey(handle) && was === handle.value ? value : handle.value;
    const size = this.stepOf(handle) * (event.shiftKey ? BIG : 1);
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
          : now + (steps[event.key] ?? Number.NaN);
    if (Number.isNaN(to)) return;
    event.preventDefault();
    this.move(handle, to);
  }

  /** Up and down turn a thing that can be turned: half a degree, five with Shift. */
  private keyAcross(event: KeyboardEvent, handle: MarkHandle): boolean {
    const { other } = handle;
    const way = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    if (!other || way === undefined) return false;
    event.preventDefault();
    const step = BIG * ANGLE_STEP * (event.shiftKey ? BIG : 1);
    this.move(handle, handle.value, other.value + way * step);
    return true;
  }

  /** What one key or the finest drag moves it by. */
  private stepOf({ unit }: MarkHandle): number {
    return unit === 'rad' ? ANGLE_STEP : this.units.step();
  }

  protected shownOf({ unit, value }: MarkHandle): string {
    return unit === 'rad' ? this.units.show(value, 'rad') : this.show(value);
  }

  protected readonly unit = computed(() => (this.units.unit() === 'mm' ? 'mm' : 'inch'));

  protected show(mm: number): string {
    return this.units.tape(mm);
  }

  protected said(d: Dimension): string {
    return toldFine(this.store.now(), d) ? this.units.show(d.value, 'mm') : this.units.tape(d.value);
  }

  /** Lines from a dimension’s ends to their place in the drawing. */
  protected extension({ from, to, ends, y, d }: LaidDimension): string {
    const end = y + (d.row > 0 ? -4 : 4);
    const line = ([x, at]: readonly [number, number]) => `M${x} ${at}V${end}`;
    return [ends[0] ? line(from) : '', ends[1] ? line(to) : ''].join('');
  }

  /** Strokes at those ends of a dimension that are in sight. */
  protected ticks({ x0, x1, y, ends }: LaidDimension): string {
    const stroke = (x: number) => `M${x - 4} ${y + 4}l8 -8`;
    return [ends[0] ? stroke(x0) : '', ends[1] ? stroke(x1) : ''].join('');
  }

  private move(handle: MarkHandle, value: number, across?: number): void {
    const held = Math.min(Math.max(value, handle.min), handle.max);
    this.sent = { key: handleKey(handle), was: handle.value, value: held };
    const { other } = handle;
    const turned = other && across !== undefined ? Math.min(Math.max(across, other.min), other.max) : undefined;
    const { quantityId } = handle;
    if (other && turned !== undefined && turned !== other.value)
      this.moved.emit({ quantityId, value: held, other: { quantityId: other.quantityId, value: turned } });
    else if (held !== handle.value) this.moved.emit({ quantityId, value: held });
  }

  private printed(d: Dimension, short = false): string {
    const fine = toldFine(this.store.now(), d);
    const text = d.inMm
      ? this.units.figure({ ...d, unit: 'mm', byTape: false })
      : fine
        ? this.units.bare(d.value)
        : this.units.bareTape(d.value);
    const signed = d.signed && d.value > 0 ? `+${text}` : text;
    return d.name && !short ? `${d.name} ${signed}` : signed;
  }
}

/** Scale on a screen of 96 px an inch: `1 : 10`, or enlarged `2 : 1`. */
function scaleOf({ k }: ViewTransform): string {
  const real = (k * 25.4) / 96;
  return real > 1 ? `${real.toFixed(1)} : 1` : `1 : ${Math.max(1, Math.round(1 / real))}`;
}

/** Which of a place’s two sizes a handle changes. */
const wayOf = ({ up }: MarkHandle): 0 | 1 => (up ? 1 : 0);
const acrossOf = ({ up }: MarkHandle): 0 | 1 => (up ? 0 : 1);

function circle(shape: Shape, t: ViewTransform) {
  if (shape.kind !== 'circle') return { cx: 0, cy: 0, r: 0 };
  const [cx, cy] = toPixel(t, shape.centre);
  return { cx, cy, r: shape.radius * t.k };
}

/** Points that lie round a shape, mm. */
function pointsOf(shape: Shape): readonly (readonly [number, number])[] {
  if (shape.kind !== 'circle') return shape.points;
  const [[u, v], r] = [shape.centre, shape.radius];
  return [
    [u - r, v - r],
    [u + r, v + r],
  ];
}
