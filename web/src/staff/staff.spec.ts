import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { StaffList } from '@plain-cleat/api';
import StaffPage from './staff';

const PEOPLE: StaffList = [
  { id: 'i', login: 'idris', name: 'Idris Kell', role: 'manager', hasPin: true, ended: null },
  { id: 'n', login: 'ned', name: 'Ned Ray', role: 'rigger', hasPin: false, ended: '2026-05-01T10:00:00Z' },
];

describe('staff', () => {
  let fixture: ComponentFixture<StaffPage>;
  let http: HttpTestingController;
  const text = (): string => (fixture.nativeElement as HTMLElement).textContent ?? '';
  const press = async (name: string): Promise<void> => {
    const all = [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')];
    all.find((b) => b.textContent?.trim() === name)?.click();
    await fixture.whenStable();
  };
  const type = (label: string, value: string): void => {
    const fields = [...(fixture.nativeElement as HTMLElement).querySelectorAll('aside mat-form-field')];
    const input = fields.find((f) => f.querySelector('mat-label')?.textContent?.includes(label))?.querySelector('input');
    if (!input) throw new Error(`no field ${label}`);
    input.value = value;
    input.dispatchEvent(new Event('input'));
  };

  beforeEach(() => {
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), provideHttpClient(), provideHttpClientTesting()],
    });
    fixture = TestBed.createComponent(StaffPage);
    http = TestBed.inject(HttpTestingController);
  });
  const loaded = async (last: string | null = null): Promise<void> => {
    http.expectOne('/api/staff').flush(PEOPLE);
    http.expectOne('/api/backups').flush({ last });
    await fixture.whenStable();
  };

  it('lists who is here and who left, and how old the last backup is', async () => {
    await loaded(new Date(Date.now() - 3 * 3_600_000 - 5000).toISOString());
    for (const told of ['Idris Kell', 'Ned Ray', 'left 1 May 2026', 'made 3 hours ago']) expect(text()).toContain(told);
  });

  it('says when there is no backup, and why the list does not come', async () => {
    await loaded();
    expect(text()).toContain('None was made yet');
    await press('Add');
    for (const says of ['A name of up to 80 letters.', 'like mara.', 'Ten characters at least.']) expect(text()).toContain(says);
    const again = TestBed.createComponent(StaffPage);
    http.expectOne('/api/staff').error(new ProgressEvent('error'), { status: 0, statusText: '' });
    http.expectOne('/api/backups').error(new ProgressEvent('error'), { status: 0, statusText: '' });
    await again.whenStable();
    expect((again.nativeElement as HTMLElement).querySelector('[role=alert]')?.textContent).toContain('does not answer');
  });

  it('takes somebody on, and says by field what is wrong', async () => {
    await loaded();
    type('Name', 'Nessa Vale');
    type('Login', 'nessa');
    type('Password', 'short');
    await press('Add');
    expect(text()).toContain('Ten characters at least.');
    http.expectNone('/api/staff');
    type('Password', 'long enough now');
    await press('Add');
    const detail = 'login: somebody here has this one, or had it: choose another';
    http
      .expectOne('/api/staff')
      .flush({ title: 'Not right yet', detail, status: 422, type: 'about:blank' }, { status: 422, statusText: 'no' });
    await fixture.whenStable();
    expect(text()).toContain(detail);
    await press('Add');
    const call = http.expectOne('/api/staff');
    expect(call.request.body).toEqual({ name: 'Nessa Vale', login: 'nessa', role: 'rigger', password: 'long enough now' });
    call.flush([...PEOPLE, { id: 'x', login: 'nessa', name: 'Nessa Vale', role: 'rigger', hasPin: false, ended: null }]);
    await fixture.whenStable();
    expect(text()).toContain('Nessa Vale works here now.');
  });

  it('gives another PIN, and lets somebody back', async () => {
    await loaded();
    await press('PIN');
    type('New PIN', '2468');
    await press('Save');
    const pin = http.expectOne('/api/staff/idris');
    expect(pin.request.body).toEqual({ pin: '2468' });
    pin.flush(PEOPLE);
    await fixture.whenStable();
    expect(text()).toContain('Idris Kell has another PIN.');
    await press('Reactivate');
    expect(http.expectOne('/api/staff/ned').request.body).toEqual({ ended: false });
  });
});
