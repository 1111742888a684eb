import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import type { Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter, Router, type Route } from '@angular/router';
import type { DataView, Me, PersonView, ShareView } from '@intervex/contract/wire';
import { registerIcons } from '../shared/icons';
import { known } from '../state/door';
import { MeService } from '../state/me.service';
import { DataPage } from './data-page';
import { GuestPage } from './guest-page';
import { JoinPage } from './join-page';
import { LoginPage } from './login-page';
import { sizeText } from './times';
import { WorkshopPage } from './workshop-page';

let fixture: ComponentFixture<unknown>;
let http: HttpTestingController;
const root = () => fixture.nativeElement as HTMLElement;
const text = () => (root().textContent ?? '').replace(/\s+/g, ' ');
const settle = async () => {
  await new Promise((next) => setTimeout(next));
  await fixture.whenStable();
};
const click = async (words: string) => {
  const button = [...root().querySelectorAll('button')].find((b) =>
    (b.textContent ?? '').replace(/\s+/g, ' ').includes(words),
  );
  if (!button) throw new Error(words);
  button.click();
  await settle();
};
const write = async (name: string, value: string) => {
  const field = root().querySelector<HTMLInputElement>(`input[name=${name}]`);
  if (!field) throw new Error(name);
  field.value = value;
  field.dispatchEvent(new Event('input'));
  await settle();
};
const submit = async (index = 0) => {
  const form = root().querySelectorAll('form').item(index);
  form.dispatchEvent(new Event('submit', { cancelable: true }));
  await settle();
};
const answer = async (method: string, url: string, body: object | null) => {
  http.expectOne((r) => r.method === method && r.urlWithParams.startsWith(url)).flush(body);
  await settle();
};

async function open(page: Type<unknown>, me: Me = { shared: false, role: 'owner' }): Promise<void> {
  const routes: Route[] = [{ path: '**', children: [] }];
  TestBed.configureTestingModule({
    providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter(routes)],
  });
  TestBed.runInInjectionContext(registerIcons);
  http = TestBed.inject(HttpTestingController);
  const asked = TestBed.inject(MeService).know();
  http.expectOne('/api/me').flush(me);
  await asked;
  fixture = TestBed.createComponent(page);
  await settle();
}
afterEach(() => {
  http.verify();
  localStorage.clear();
});

const data: DataView = {
  size: 16_600_000,
  projects: 4,
  revisions: 752,
  photos: 3,
  folder: '/srv/bench/backups',
  free: 83_400_000_000,
  backups: [{ file: 'a.intervex-backup', at: '2026-11-27T07:48:38Z', size: 130_000, daily: true }],
  trouble: '',
  aside: [],
};

describe('your data', () => {
  const show = async (view: DataView = data, removed: object[] = [], photos: object[] = []) => {
    await answer('GET', '/api/data', view);
    await answer('GET', '/api/removed', removed);
    await answer('GET', '/api/photos', photos);
  };

  it('shows where they stand, makes a backup, and says when the daily one failed', async () => {
    await open(DataPage);
    await show({ ...data, trouble: 'The disk is full.' });
    for (const words of [
      '752',
      '16.6 MB',
      '83.4 GB',
      '/srv/bench/backups',
      'daily',
      '130 kB',
      'not made. The disk is full.',
    ])
      expect(text()).toContain(words);
    expect(root().querySelector('a[download]')?.getAttribute('href')).toBe('/api/backups/a.intervex-backup');
    await click('Make a backup now');
    await answer('POST', '/api/backups', data.backups[0] ?? {});
    await show();
    expect(text()).not.toContain('The disk is full');
  });

  it('puts a file back only after the word was typed, and says what was kept aside', async () => {
    await open(DataPage);
    await show();
    const input = root().querySelector<HTMLInputElement>('input[type=file]')!;
    Object.defineProperty(input, 'files', { value: [new File(['x'.repeat(2500)], 'b.intervex-backup')] });
    Object.defineProperty(input, 'value', { value: '', writable: true });
    input.dispatchEvent(new Event('change'));
    await settle();
    expect(text()).toContain('b.intervex-backup, 3 kB');
    await submit();
    http.expectNone((r) => r.url === '/api/restore');
    await write('sure', 'Restore');
    await submit();
    const refused = {
      error: 'invalid',
      message: 'This backup is cut short. Nothing was changed.',
      problems: [],
    };
    http.expectOne('/api/restore?sure=restore').flush(refused, { status: 400, statusText: 'Bad' });
    await settle();
    expect(text()).toContain('This backup is cut short');
    await submit();
    const revives = {
      error: 'revives',
      message: 'This lets in again: Tove, helper, who was removed. Nothing was changed.',
      problems: [{ field: 'revives', wrong: 'would come back: Tove, helper, who was removed', right: 'yes' }],
    };
    http.expectOne('/api/restore?sure=restore').flush(revives, { status: 409, statusText: 'Asks' });
    await settle();
    expect(text()).toContain('Tove, helper, who was removed');
    await click('Restore, and let them in again');
    const meant = http.expectOne('/api/restore?sure=restore&revives=yes');
    meant.flush(refused, { status: 400, statusText: 'Bad' });
    await settle();
    expect(text()).not.toContain('let them in again');
    await submit();
    await answer('POST', '/api/restore', {
      madeAt: '2026-11-20T08:00:00Z',
      projects: 3,
      revisions: 90,
      photos: 1,
      aside: 'aside_20261127081455123',
    });
    await show({ ...data, aside: ['aside_20261127081455123'] });
    expect(text()).toContain('3 projects, 90 revisions, 1 photos');
    expect(text()).toContain('set aside 27 Nov 2026');
  });

  it('brings back what was taken off the lists', async () => {
    await open(DataPage);
    await show(data, [
      {
        id: 'p1',
        kind: 'project',
        name: 'Penn Hauler',
        removedAt: '2026-11-02T10:00:00Z',
        until: '2027-01-31T10:00:00Z',
      },
    ]);
    await click('Bring back Penn Hauler');
    await answer('POST', '/api/removed/p1/bring-back', null);
    await show();
    expect(text()).toContain('Nothing.');
  });

  it('lists all photos, and removes one after a question', async () => {
    await open(DataPage);
    await show(data, [], [{ id: 'f1', who: 'Tove', at: '2026-11-20T08:00:00Z', size: 412_000, plans: 0 }]);
    expect(text()).toContain('412 kB');
    expect(text()).toContain('in no plan now');
    await click('Remove the photo by Tove');
    await click('Yes, remove');
    await answer('DELETE', '/api/photos/f1', null);
    await show();
    expect(text()).not.toContain('Tove');
  });

  it('tells sizes', () => {
    expect([sizeText(12), sizeText(130_400), sizeText(1_449_000), sizeText(2.34e9)]).toEqual([
      '1 kB',
      '130 kB',
      '1.4 MB',
      '2.3 GB',
    ]);
  });
});

describe('the workshop', () => {
  const shut: ShareView = {
    on: false,
    addresses: ['192.0.2.7'],
    address: '',
    port: 4300,
    tls: 'own',
    hasGiven: false,
    url: '',
    fingerprint: '',
    trouble: '',
  };
  const opened: ShareView = {
    ...shut,
    on: true,
    address: '192.0.2.7',
    url: 'https://192.0.2.7:4300',
    fingerprint: 'AB:CD',
  };
  const tove: PersonView = {
    id: 't',
    name: 'Tove',
    role: 'helper',
    hasPassword: false,
    devices: [{ id: 'd', name: 'Phone', pairedAt: '2026-11-20T08:00:00Z', seenAt: '2026-11-20T08:00:00Z' }],
  };
  const show = async (share: ShareView, people: readonly PersonView[] = []) => {
    await answer('GET', '/api/share', share);
    await answer('GET', '/api/people', people);
    await answer('GET', '/api/guests', []);
    await answer('GET', '/api/sessions', []);
    await answer('GET', '/api/audit', [
      {
        id: 1,
        at: '2026-11-20T08:00:00Z',
        who: 'Ansa',
        what: 'person added',
        about: { name: 'Tove', person: '7d0c2f4e-1111-4c9a-9d2e-3b1f0a8c5e77' },
      },
    ]);
    await answer('GET', '/api/projects', [
      {
        id: 'p',
        name: 'Tern',
        variants: [{ id: 'v', name: 'Even up', revision: 1, savedAt: '2026-11-02T10:00:00Z' }],
      },
    ]);
  };

  it('is shut at first, says what opening means without TLS, and opens', async () => {
    await open(WorkshopPage);
    await show(shut);
    expect(text()).toContain('this computer alone');
    expect(text()).not.toContain('can read along');
    const by = root().querySelector<HTMLSelectElement>('select[name=tls]')!;
    by.value = 'none';
    by.dispatchEvent(new Event('change'));
    await settle();
    expect(text()).toContain('Without TLS everybody in this network can read along');
    by.value = 'own';
    by.dispatchEvent(new Event('change'));
    await submit();
    const put = http.expectOne({ method: 'PUT', url: '/api/share' });
    expect(put.request.body).toEqual({ on: true, address: '192.0.2.7', tls: 'own' });
    put.flush(opened);
    await settle();
    await answer('GET', '/api/me', { shared: true, role: 'owner', name: 'Ansa' });
    await show(opened, [tove]);
    expect(text()).toContain('https://192.0.2.7:4300');
    expect(text()).toContain('AB:CD');
    expect(text()).toContain('person added name Tove');
  });

  it('adds people, pairs a phone with a code, and ends a device', async () => {
    await open(WorkshopPage, { shared: true, role: 'owner', name: 'Ansa' });
    await show(opened, [tove]);
    await click('Pair a phone with Tove');
    await answer('POST', '/api/people/t/pair-code', {
      code: 'KM4P-7XQ2',
      url: 'https://192.0.2.7:4300/join#KM4P-7XQ2',
      qr: '<svg/>',
      endsAt: new Date(Date.now() + 600_000).toISOString(),
    });
    expect(text()).toContain('KM4P-7XQ2');
    expect(text()).toContain('within 10 minutes');
    expect(root().querySelector('.code img')?.getAttribute('src')).toContain('data:image/svg+xml');
    await click('End Phone of Tove');
    await answer('DELETE', '/api/devices/d', null);
    await show(opened, [tove]);
    await write('name', 'Birk');
    await submit(0);
    const post = http.expectOne({ method: 'POST', url: '/api/people' });
    expect(post.request.body).toEqual({ name: 'Birk', role: 'helper' });
    post.flush(
      { error: 'invalid', message: 'There is a Birk already.', problems: [] },
      { status: 400, statusText: 'Bad' },
    );
    await settle();
    expect(text()).toContain('There is a Birk already.');
    expect(root().querySelector<HTMLInputElement>('input[name=name]')?.value).toBe('Birk');
  });
});

describe('coming in', () => {
  it('by the PIN of a paired device, or by name and password', async () => {
    await open(LoginPage, { shared: true, paired: 'Phone' });
    expect(text()).toContain('PIN of this device, Phone');
    await write('pin', '4711');
    await submit();
    const post = http.expectOne({ method: 'POST', url: '/api/login' });
    expect(post.request.body).toEqual({ pin: '4711' });
    post.flush(
      { error: 'login', message: 'That is not right.', problems: [] },
      { status: 401, statusText: 'No' },
    );
    await settle();
    expect(text()).toContain('That is not right.');
    await click('By name and password');
    await write('name', ' Tove ');
    await write('password', 'five lug pattern');
    await submit();
    const named = http.expectOne({ method: 'POST', url: '/api/login' });
    expect(named.request.body).toEqual({ name: 'Tove', password: 'five lug pattern' });
    named.flush(null);
    await settle();
    await answer('GET', '/api/me', { shared: true, role: 'helper', name: 'Tove' });
  });

  it('by a code on a new device', async () => {
    await open(JoinPage, { shared: true });
    await write('code', ' km4p-7xq2 ');
    await write('pin', '4711');
    await submit();
    const post = http.expectOne({ method: 'POST', url: '/api/pair' });
    expect(post.request.body).toEqual({ code: 'km4p-7xq2', pin: '4711', device: 'Phone' });
    post.flush(null);
    await settle();
    await answer('GET', '/api/me', { shared: true, role: 'helper', name: 'Tove' });
  });

  it('by a guest’s link, which may have ended', async () => {
    await open(GuestPage, { shared: true });
    http
      .expectOne({ method: 'POST', url: '/api/guest' })
      .flush({ error: 'login', message: 'No.', problems: [] }, { status: 401, statusText: 'No' });
    await settle();
    expect(text()).toContain('it has ended or was withdrawn');
  });

  it.each([
    [{ shared: true } as Me, '/projects', '/login?back=%2Fprojects'],
    [{ shared: true, role: 'guest', variant: 'v' } as Me, '/projects', '/plan/v'],
    [{ shared: true, role: 'guest', variant: 'v' } as Me, '/plan/v/cut', true],
    [{ shared: true, role: 'helper' } as Me, '/projects', true],
  ])('leads %o from %s', async (me, url, to) => {
    await open(GuestPage, me);
    http.expectOne('/api/guest').flush(null, { status: 500, statusText: 'No' });
    const led = await TestBed.runInInjectionContext(() => known({} as never, { url } as never));
    expect(led === true ? led : TestBed.inject(Router).serializeUrl(led as never)).toBe(to);
  });
});
