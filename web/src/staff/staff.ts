import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import {
  type AddStaff,
  type ChangeStaff,
  loginSchema,
  newPasswordSchema,
  pinSchema,
  type Role,
  ROLES,
  type StaffList,
  staffNameSchema,
} from '@plain-cleat/api';
import type { Observable } from 'rxjs';
import { z } from 'zod';
import { ChoiceField, choicesOf } from '../controls/choice-field';
import { TextField } from '../controls/text-field';
import { ValidSubmit } from '../controls/valid-submit';
import { zodValidator } from '../controls/zod-validator';
import { wordsOf } from '../stores/problems';
import { byForm, field, liveRows } from '../controls/live-form';
import { Said } from '../controls/said';
import { WhenLoaded } from '../controls/when-loaded';
import { Loader } from '../stores/loaded';
import { Sending } from '../stores/sending';
import { StaffStore } from '../stores/staff.store';
import { Table, TableColumn } from '../controls/table';
import { toSignal } from '@angular/core/rxjs-interop';
import { catchError, map, of } from 'rxjs';
import { DayIn } from '../controls/days';
import { ShopStore } from '../stores/shop.store';

type Person = StaffList[number];
/** A secret of somebody's that is being typed. */
interface Secret {
  readonly of: Person;
  readonly what: 'password' | 'PIN';
}

/** What is typed, as the server takes it. */
const typed = (schema: z.ZodType, says: string): FormControl<string> =>
  new FormControl('', { nonNullable: true, validators: zodValidator(schema, says) });
const TEN = 'Ten characters at least.';

/** Who works here and may do what, for the manager; and how old the last backup is. */
@Component({
  selector: 'pc-staff',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    DayIn,
    Said,
    WhenLoaded,
    ReactiveFormsModule,
    MatButtonModule,
    Table,
    TableColumn,
    ChoiceField,
    TextField,
    ValidSubmit,
  ],
  templateUrl: './staff.html',
  styleUrl: './staff.scss',
})
export default class StaffPage {
  private readonly store = inject(StaffStore);
  protected readonly roleChoices = choicesOf(ROLES);
  protected readonly people = new Loader(() => this.store.list());
  protected readonly backups = new Loader(() => this.store.backups());
  /** Days are the shop's. */
  protected readonly zone = toSignal(
    inject(ShopStore)
      .settings()
      .pipe(
        map((shop) => shop.timeZone),
        catchError(() => of(undefined)),
      ),
  );
  protected readonly sending = new Sending();
  /** So often a change was not taken: the list stands as it was. */
  private readonly refused = signal(0);
  protected readonly secret = signal<Secret | null>(null);
  protected readonly password = new FormGroup({ value: typed(newPasswordSchema, TEN) });
  protected readonly pin = new FormGroup({
    value: typed(z.union([z.literal(''), pinSchema]), 'Four to eight digits; empty takes it away.'),
  });
  protected readonly asked = computed(() => (this.secret()?.what === 'PIN' ? this.pin : this.password));
  protected readonly adding = new FormGroup({
    name: typed(staffNameSchema, 'A name of up to 80 letters.'),
    login: typed(loginSchema, 'Letters, digits, dots and hyphens, two at least, like mara.'),
    role: new FormControl<Role>('rigger', { nonNullable: true }),
    password: typed(newPasswordSchema, TEN),
  });

  constructor() {
    this.people.load();
    this.backups.load();
  }

  /** How long ago the last backup was made, in whole hours or days. */
  protected age(last: string): string {
    const hours = Math.floor((Date.now() - Date.parse(last)) / 3_600_000);
    if (hours < 1) return 'less than an hour ago';
    return hours < 48 ? `${hours} ${hours === 1 ? 'hour' : 'hours'} ago` : `${Math.floor(hours / 24)} days ago`;
  }

  private send(call: Observable<StaffList>, done: string, after: () => void = () => undefined): void {
    this.sending.send(
      call,
      (all) => {
        this.people.put(all);
        after();
        return done;
      },
      (error) => {
        // What the screen shows is what the shop has.
        this.refused.update((n) => n + 1);
        return wordsOf(error);
      },
    );
  }

  protected readonly byForm = byForm;
  protected readonly rows = liveRows(
    () => this.people.value() ?? [],
    (person) => ({
      role: field(
        () => person().role,
        (role) => this.change(person(), { role }, `${person().name} is ${role} now.`),
        { off: () => person().ended !== null },
      ),
    }),
    (person) => `${person.login} ${this.refused()}`,
  );

  protected change(person: Person, body: ChangeStaff, done: string): void {
    this.send(this.store.change(person.login, body), done);
  }

  protected ask(of: Person, what: Secret['what']): void {
    this.password.reset();
    this.pin.reset();
    this.sending.clear();
    this.secret.set({ of, what });
  }

  protected saveSecret(): void {
    const secret = this.secret();
    if (!secret) return;
    const { value } = this.asked().getRawValue();
    const body: ChangeStaff = secret.what === 'PIN' ? { pin: value || null } : { password: value };
    this.send(this.store.change(secret.of.login, body), `${secret.of.name} has another ${secret.what}.`, () =>
      this.secret.set(null),
    );
  }

  protected add(): void {
    const body: AddStaff = this.adding.getRawValue();
    this.send(this.store.add(body), `${body.name} works here now.`, () => this.adding.reset({ role: 'rigger' }));
  }
}
