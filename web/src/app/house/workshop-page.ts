import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import type {
  AuditEntry,
  GuestLink,
  GuestView,
  PairCode,
  PersonView,
  ProjectSummary,
  SessionView,
  ShareView,
} from '@intervex/contract/wire';
import { PlainTop } from '../shared/plain-top';
import { HouseService } from '../state/house.service';
import { PersonService } from '../state/person.service';
import { ProjectsService } from '../state/projects.service';
import { Attempt } from './attempt';
import { timeText } from './times';

/** What each may do; the least first, for that is what a form begins with. */
const ROLES: readonly { readonly id: PersonView['role']; readonly what: string }[] = [
  { id: 'helper', what: 'readings, photos and steps at the bench' },
  { id: 'builder', what: 'all but people, sharing, removal and restore' },
  { id: 'owner', what: 'everything' },
];
const MINUTES = 60_000;

/** Opening the application to the workshop, and who may do what in it. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-workshop-page',
  imports: [MatButtonModule, MatIconModule, PlainTop],
  templateUrl: './workshop-page.html',
  styleUrl: './house.scss',
})
export class WorkshopPage {
  private readonly house = inject(HouseService);
  private readonly projects = inject(ProjectsService);
  private readonly person = inject(PersonService);
  protected readonly attempt = new Attempt();
  protected readonly share = signal<ShareView | undefined>(undefined);
  protected readonly people = signal<readonly PersonView[]>([]);
  protected readonly guests = signal<readonly GuestView[]>([]);
  protected readonly sessions = signal<readonly SessionView[]>([]);
  protected readonly audit = signal<readonly AuditEntry[]>([]);
  protected readonly cars = signal<readonly ProjectSummary[]>([]);
  protected readonly address = signal('');
  protected readonly tls = signal<ShareView['tls']>('own');
  protected readonly code = signal<{ readonly of: string; readonly made: PairCode } | undefined>(undefined);
  protected readonly link = signal<GuestLink | undefined>(undefined);
  protected readonly removing = signal('');
  /** Whose password is being set. */
  protected readonly locking = signal('');
  protected readonly more = signal(false);
  protected readonly ROLES = ROLES;
  protected readonly timeText = timeText;
  protected readonly variants = computed(() =>
    this.cars().flatMap((p) => p.variants.map((v) => ({ id: v.id, name: `${p.name}, ${v.name}` }))),
  );

  constructor() {
    void this.load();
  }

  protected load(): Promise<boolean> {
    return this.attempt.run(async () => {
      const share = await this.house.share();
      this.share.set(share);
      this.address.set(share.address || (share.addresses[0] ?? ''));
      this.tls.set(share.tls);
      const [people, guests, sessions, audit, cars] = await Promise.all([
        this.house.people(),
        this.house.guests(),
        this.house.sessions(),
        this.house.audit(),
        this.projects.all(),
      ]);
      this.people.set(people);
      this.guests.set(guests);
      this.sessions.set(sessions);
      this.audit.set(audit);
      this.more.set(audit.length === 60);
      this.cars.set(cars);
    });
  }

  /** Does something and reads everything again. */
  protected async then(work: () => Promise<unknown>): Promise<boolean> {
    return (await this.attempt.run(work)) && this.load();
  }

  protected open(): Promise<boolean> {
    const owner = this.person.known() ? { owner: this.person.name() } : {};
    return this.then(() =>
      this.house.setShare({ on: true, address: this.address(), tls: this.tls(), ...owner }),
    );
  }

  protected shut(): Promise<boolean> {
    this.code.set(undefined);
    this.link.set(undefined);
    return this.then(() => this.house.setShare({ on: false }));
  }

  protected async add(form: HTMLFormElement): Promise<void> {
    const { name, role, password } = fieldsOf(form);
    const given = password ? { password } : {};
    const added = await this.then(() =>
      this.house.addPerson({ name, role: role as PersonView['role'], ...given }),
    );
    if (added) form.reset();
  }

  protected setRole(id: string, role: string): Promise<boolean> {
    return this.then(() => this.house.changePerson(id, { role: role as PersonView['role'] }));
  }

  protected async setPassword(id: string, form: HTMLFormElement): Promise<void> {
    const { password } = fieldsOf(form);
    if (await this.then(() => this.house.changePerson(id, { password }))) this.locking.set('');
  }

  protected remove(id: string): Promise<boolean> {
    this.removing.set('');
    return this.then(() => this.house.removePerson(id));
  }

  protected endAll(id: string): Promise<boolean> {
    return this.then(() => this.house.endAll(id));
  }

  protected endDevice(id: string): Promise<boolean> {
    return this.then(() => this.house.endDevice(id));
  }

  protected endSession(id: string): Promise<boolean> {
    return this.then(() => this.house.endSession(id));
  }

  protected withdraw(id: string): Promise<boolean> {
    return this.then(() => this.house.withdraw(id));
  }

  protected async pair({ id, name }: PersonView): Promise<void> {
    await this.attempt.run(async () => {
      this.code.set({ of: name, made: await this.house.pairCode(id) });
    });
  }

  protected minutesLeft(iso: string): number {
    return Math.max(0, Math.round((Date.parse(iso) - Date.now()) / MINUTES));
  }

  protected async invite(form: HTMLFormElement): Promise<void> {
    const { variant, guest, days } = fieldsOf(form);
    await this.attempt.run(async () => {
      this.link.set(await this.house.addGuest(variant, guest, Number(days)));
      this.guests.set(await this.house.guests());
    });
  }

  protected async older(): Promise<void> {
    await this.attempt.run(async () => {
      const next = await this.house.audit(this.audit().at(-1)?.id);
      this.audit.update((list) => [...list, ...next]);
      this.more.set(next.length === 60);
    });
  }

  /** A QR code as a picture. */
  protected picture(svg: string): string {
    return `data:image/svg+xml,${encodeURIComponent(svg)}`;
  }

  protected aboutText(about: AuditEntry['about']): string {
    const hidden = /^[0-9a-f-]{36}$/;
    return Object.entries(about)
      .filter(([, value]) => !hidden.test(value))
      .map(([key, value]) => `${key} ${value}`)
      .join(', ');
  }
}

/** What stands in the fields of a form, by their names. */
const fieldsOf = (
  form: HTMLFormElement,
): Record<'name' | 'role' | 'password' | 'variant' | 'guest' | 'days', string> =>
  Object.fromEntries([...new FormData(form)].map(([key, value]) => [key, String(value).trim()])) as never;
