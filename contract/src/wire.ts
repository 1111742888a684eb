import type {
  FigureUnit,
  FoundFlange,
  PairSearch,
  PartKind,
  PartOffer,
  Plan,
  Received,
  ReceivedShaft,
  SetShims,
  Trial,
} from '@intervex/core';
import type { ShaftOrder } from '@intervex/core/desks/shafts';

/** One variant in a list. */
export interface VariantSummary {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  /** ISO 8601 time of the newest revision. */
  readonly savedAt: string;
}

/** One car. */
export interface ProjectSummary {
  readonly id: string;
  readonly name: string;
  readonly variants: readonly VariantSummary[];
}

/** A variant with its plan as it stands. */
export interface VariantView extends VariantSummary {
  readonly projectId: string;
  readonly projectName: string;
  /** Numbers that the running strip of its project holds, by id; left out, those it begins with. */
  readonly strip?: readonly string[];
  readonly plan: Plan;
  /** What was kept in it that nothing knows any more: left out. */
  readonly dropped?: readonly string[];
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  /** Places in the plan that an undo or a redo changes, as JSON pointers. */
  readonly undoes?: readonly string[];
  readonly redoes?: readonly string[];
  /** Who entered what an undo, or a redo, changes. */
  readonly undoesBy?: string;
  readonly redoesBy?: string;
  /** What made the newest revision. */
  readonly last?: { readonly kind: RevisionKind; readonly who: string };
}

/** Body of a save: the plan, and the revision it was made from. */
export interface SaveRequest {
  readonly baseRevision: number;
  readonly plan: Plan;
  readonly who: string;
}

/** Body of an undo or redo. */
export interface StepRequest {
  readonly baseRevision: number;
  readonly who: string;
}

/** One revision in the history. */
export interface RevisionView {
  readonly revision: number;
  readonly kind: RevisionKind;
  readonly who: string;
  readonly at: string;
  /** Places in the plan that differ from the revision before, as JSON pointers. */
  readonly changed: readonly string[];
}

export type RevisionKind = 'create' | 'edit' | 'undo' | 'redo' | 'import' | 'restore';

/** One thing wrong with what was sent. */
export interface Problem {
  /** Where: a path such as `plan.readings.donor.tube.left.repeats[0].value`. */
  readonly field: string;
  /** What was wrong. */
  readonly wrong: string;
  /** What would be right. */
  readonly right: string;
}

/** Every refusal has this form. */
export interface Refusal {
  readonly error: RefusalCode;
  readonly message: string;
  readonly problems: readonly Problem[];
}

export type RefusalCode =
  | 'invalid'
  | 'login'
  | 'forbidden'
  | 'tooMany'
  | 'notFound'
  | 'removed'
  | 'tooLarge'
  | 'wrongType'
  | 'stale'
  | 'nothingToUndo'
  | 'inUse'
  | 'revives'
  | 'unavailable'
  | 'internal';

/** Answer 410: it was taken off the lists, and can be brought back. */
export interface RemovedRefusal extends Refusal {
  readonly error: 'removed';
  readonly removed: {
    /** What to bring back: the variant, or its project where that was removed. */
    readonly id: string;
    readonly kind: 'variant' | 'project';
    readonly name: string;
    /** ISO 8601. */
    readonly at: string;
    /** Left out where he has no name: at the computer that the application runs on. */
    readonly who?: string;
  };
}

/** Answer 409: somebody saved since. Holds what stands now and what changed since the base revision. */
export interface StaleRefusal extends Refusal {
  readonly error: 'stale';
  readonly current: VariantView;
  /** Plan at the base revision, to tell one's own changes from the others'. */
  readonly base: Plan;
  /** JSON pointers that differ between base and current. */
  readonly changed: readonly string[];
}

/** An instrument on the bench. */
export interface InstrumentView {
  readonly id: string;
  readonly label: string;
  readonly kind: 'caliper' | 'angleGauge' | 'indicator' | 'scales';
  readonly unit: 'mm' | 'deg' | 'kg';
  /** Smallest step it shows. */
  readonly resolution: number;
  readonly connected: boolean;
  /** Share left, 0 to 1. */
  readonly battery: number;
}

/** Which instruments there are; `trouble` where the bench does not answer. */
export interface InstrumentList {
  readonly instruments: readonly InstrumentView[];
  readonly trouble?: string;
}

/** One reading of an instrument, in its own unit. */
export interface InstrumentReading {
  readonly id: string;
  readonly unit: 'mm' | 'deg' | 'kg';
  readonly value: number;
  /** Corner by corner, for scales; the value is their sum. */
  readonly channels?: Readonly<Record<'leftFront' | 'rightFront' | 'rightRear' | 'leftRear', number>>;
  readonly battery: number;
  readonly held: boolean;
  /** The gauge was zeroed by hand and reads from there. */
  readonly zeroed: boolean;
  readonly at: string;
}

/** What the parts counter has, or had when it was last heard. */
export interface PartsAnswer {
  readonly kind: PartKind;
  /** How many parts of this kind were looked through. */
  readonly of: number;
  /** Best first. */
  readonly offers: readonly PartOffer[];
  readonly from: 'counter' | 'list';
  /** When the counter said so. */
  readonly at: string;
  /** Why the counter itself was not heard. */
  readonly trouble?: string;
}

/** A picture that is kept. */
export interface PhotoStored {
  readonly id: string;
  readonly width: number;
  readonly height: number;
  /** Bytes. */
  readonly size: number;
}

/** One repeat of a reading in the list of a whole project. */
export interface ProjectReading {
  readonly variantId: string;
  readonly variant: string;
  readonly id: string;
  readonly name: string;
  readonly repeat: number;
  /** In core units. */
  readonly value: number;
  readonly unit: FigureUnit;
  readonly instrument: string;
  readonly datum: string;
  readonly who: string;
  readonly at: string;
  readonly note: string;
}

export interface ProjectReadings {
  /** How many fit the search, of how many. */
  readonly found: number;
  readonly of: number;
  readonly rows: readonly ProjectReading[];
}

/** A flange read from a drawing, and what of it was passed over. */
export interface DrawingAnswer extends FoundFlange {
  readonly passedOver: readonly string[];
}

/** Best pairs of stock shafts, and from when the list is. */
export interface PairsAnswer extends PairSearch {
  readonly from: 'counter' | 'list';
  readonly at: string;
  readonly trouble?: string;
}

/** Where an order stands with the maker. */
export const MAKER_STATES = ['quoted', 'paid', 'cutting', 'shipped', 'late'] as const;
export type MakerState = (typeof MAKER_STATES)[number];

export interface MakerQuote {
  readonly number: string;
  readonly price: number;
  readonly leadDays: number;
  readonly note: string;
}
export interface MakerOrder {
  readonly number: string;
  readonly state: MakerState;
  readonly note: string;
}

/** Where an order stands with the builder: with the maker, measured and wrong, taken, or on its way back. */
/** `paying`: the maker was told to begin and has not answered yet; asked again with the same key until it does. */
export type OrderState = MakerState | 'paying' | 'wrong' | 'accepted' | 'sentBack';

export interface OrderEvent {
  readonly at: string;
  readonly who: string;
  readonly state: OrderState;
  readonly note: string;
}

/** An order as it is kept. */
export interface OrderView {
  readonly id: string;
  readonly variantId: string;
  readonly variant: string;
  /** Revision of the plan it was made from. */
  readonly revision: number;
  readonly order: ShaftOrder;
  readonly quote: MakerQuote;
  readonly state: OrderState;
  readonly events: readonly OrderEvent[];
  /** Against the order, once it was measured. */
  readonly received?: Received;
  /** Numbers of other orders for the very same shafts that are under way or taken. */
  readonly same?: readonly string[];
  /** Why the maker was not heard just now. */
  readonly trouble?: string;
}

export interface ReceiveRequest {
  readonly who: string;
  readonly shafts: readonly ReceivedShaft[];
}
export interface SettleRequest {
  readonly who: string;
  readonly decision: 'accept' | 'sendBack';
  readonly reason: string;
}

/** How far from right a gear set to practise on begins, and how cleanly it reads. */
export const DIFFICULTIES = ['easy', 'usual', 'hard'] as const;
export type Difficulty = (typeof DIFFICULTIES)[number];

/** What nobody sees of a gear set while it is set up: shims that are right, mm, and what moves what. */
export interface SetTruth extends SetShims {
  /** Backlash lost for a mm of ring side shim, and of pinion shim. */
  readonly carrierGain: number;
  readonly pinionGain: number;
  /** Backlash either way of its mean, from tooth to tooth, mm. */
  readonly runout: number;
}

/** A gear set to practise on, as far as it was set up. */
export interface PracticeSet {
  readonly id: string;
  readonly difficulty: Difficulty;
  /** Shims it comes with. */
  readonly first: SetShims;
  readonly trials: readonly Trial[];
  /** Once it was opened. */
  readonly truth?: SetTruth;
}

/** Something somebody did that is no change of a plan. */
export interface AuditEntry {
  readonly id: number;
  readonly at: string;
  readonly who: string;
  readonly what: string;
  readonly about: Readonly<Record<string, string>>;
}

/** What somebody may do here. */
export type Role = 'owner' | 'builder' | 'helper' | 'guest';

/** Who the page is, as the server knows it. */
export interface Me {
  /** Open to others in the workshop; without, there is one owner and nothing to log in to. */
  readonly shared: boolean;
  /** Nothing while nobody has said who he is. */
  readonly role?: Role;
  /** The server’s name for him, which stands beside what he does. */
  readonly name?: string;
  /** Variant that a guest reads. */
  readonly variant?: string;
  /** This device is paired with somebody: its PIN is enough. */
  readonly paired?: string;
}

export interface PersonView {
  readonly id: string;
  readonly name: string;
  readonly role: Exclude<Role, 'guest'>;
  /** He has a password, and may log in with it anywhere in the workshop. */
  readonly hasPassword: boolean;
  readonly devices: readonly DeviceView[];
}
export interface DeviceView {
  readonly id: string;
  readonly name: string;
  readonly pairedAt: string;
  readonly seenAt: string;
}
export interface SessionView {
  readonly id: string;
  readonly who: string;
  readonly role: Role;
  readonly device: string;
  readonly until: string;
}
export interface GuestView {
  readonly id: string;
  readonly name: string;
  readonly variantId: string;
  readonly variant: string;
  readonly madeAt: string;
  readonly endsAt: string;
  readonly state: 'open' | 'ended' | 'withdrawn';
}

/** A code that pairs one device, once. */
export interface PairCode {
  readonly code: string;
  /** Address that opens the page with the code filled in. */
  readonly url: string;
  /** The same as a QR code, SVG. */
  readonly qr: string;
  readonly endsAt: string;
}
/** A guest’s link; it is told once. */
export interface GuestLink extends GuestView {
  readonly url: string;
  readonly qr: string;
}

/** How the application is open to the workshop. */
export interface ShareView {
  readonly on: boolean;
  /** Addresses of this computer that it could be opened on. */
  readonly addresses: readonly string[];
  readonly address: string;
  readonly port: number;
  readonly tls: 'own' | 'given' | 'none';
  readonly hasGiven: boolean;
  readonly url: string;
  /** SHA-256 of the certificate, to be compared on the other device. */
  readonly fingerprint: string;
  /** Why it is not open although it should be. */
  readonly trouble: string;
}

/** Something that was taken off the lists. */
export interface RemovedView {
  readonly id: string;
  readonly kind: 'project' | 'variant' | 'photo';
  readonly name: string;
  readonly removedAt: string;
  /** Until then it is listed here. */
  readonly until: string;
}

/** A photo in the list of all. */
export interface PhotoView {
  readonly id: string;
  readonly who: string;
  readonly at: string;
  /** Bytes. */
  readonly size: number;
  /** How many plans hold it as they stand now. */
  readonly plans: number;
}

/** Where the data stand. */
export interface DataView {
  /** Bytes of the database. */
  readonly size: number;
  readonly projects: number;
  readonly revisions: number;
  readonly photos: number;
  /** Folder with the backups. */
  readonly folder: string;
  /** Bytes free where the backups lie. */
  readonly free: number;
  /** Newest first. */
  readonly backups: readonly BackupView[];
  /** Why the last backup was not made. */
  readonly trouble: string;
  /** What was set aside by a restore. */
  readonly aside: readonly string[];
}
export interface BackupView {
  readonly file: string;
  readonly at: string;
  readonly size: number;
  /** Made by itself, and removed again when fourteen newer ones are there. */
  readonly daily: boolean;
}
/** What a backup held that was put back. */
export interface RestoreView {
  readonly madeAt: string;
  readonly projects: number;
  readonly revisions: number;
  readonly photos: number;
  /** Name under which what was there before is kept aside. */
  readonly aside: string;
}
