import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { MeService } from '../state/me.service';
import { RemovedNote } from './removed-note';

const removed = {
  id: 'v7',
  kind: 'variant',
  name: 'Tern, Even up',
  at: '2027-03-20T18:04:00Z',
  who: 'Ansa',
} as const;

async function made(role: 'owner' | 'helper', open: boolean) {
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
  const http = TestBed.inject(HttpTestingController);
  const knows = TestBed.inject(MeService).know();
  http.expectOne('/api/me').flush({ shared: true, role });
  await knows;
  const fixture = TestBed.createComponent(RemovedNote);
  fixture.componentRef.setInput('removed', removed);
  fixture.componentRef.setInput('open', open);
  let back = 0;
  fixture.componentInstance.back.subscribe(() => (back += 1));
  fixture.detectChanges();
  return { fixture, http, page: fixture.nativeElement as HTMLElement, back: () => back };
}

describe('a plan that was removed', () => {
  it('says by whom and when, and where what is typed stays', async () => {
    const { page } = await made('helper', true);
    expect(page.textContent).toContain('The variant Tern, Even up was removed by Ansa, 20 Mar 2027');
    expect(page.textContent).toContain('kept in this browser');
    expect(page.textContent).toContain('The owner can bring it back.');
    expect(page.querySelector('button')).toBeNull();
  });

  it('is brought back by the owner, and says why where it cannot be', async () => {
    const { fixture, http, page, back } = await made('owner', false);
    const press = () => page.querySelector('button')?.click();
    press();
    http
      .expectOne('/api/removed/v7/bring-back')
      .flush(
        { error: 'unavailable', message: 'The database is away.', problems: [] },
        { status: 503, statusText: 'x' },
      );
    await fixture.whenStable();
    fixture.detectChanges();
    expect([page.textContent.includes('The database is away.'), back()]).toEqual([true, 0]);
    press();
    http.expectOne('/api/removed/v7/bring-back').flush(null);
    await fixture.whenStable();
    expect(back()).toBe(1);
  });
});
