import { Injectable, signal } from '@angular/core';
import type { Preferences, RigDocument, Session, Staff } from '@plain-cleat/api';
import type { Part } from '@plain-cleat/core/parts/parts';
import type { Change, NewFact } from '@plain-cleat/core/rig';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** Who kept something here, and the shop's proof of it. */
export interface Rigger {
  readonly name: string;
  readonly proof: string;
}

/** A fact that is not yet acknowledged, with who kept it and its photo. */
export interface WaitingFact {
  readonly what: 'fact';
  readonly fact: NewFact;
  readonly rigger: Rigger;
  readonly photo?: Blob;
  /** The server's last word on it; it stays here until somebody decides. */
  readonly refused?: string;
}

/** A change of the plan that is not yet acknowledged. */
export interface WaitingChange {
  readonly what: 'change';
  readonly change: Change;
  readonly undoes: string | null;
  /** Who made it; one that an earlier build kept does not say. */
  readonly rigger?: Rigger;
  /** Somebody else was first: it stays here until one of the two is chosen. */
  readonly clash?: { readonly field: string; readonly found: unknown; readonly wanted: unknown };
}
export type Waiting = WaitingChange | WaitingFact;

/** A rig as this tablet last saw it. */
export interface RigCopy {
  readonly id: string;
  readonly doc: RigDocument;
  readonly at: string;
}

/** One who has swapped in here by PIN, and can again while the network is gone. */
export interface KnownRigger extends Staff {
  readonly proof: string;
  /** How they like it, as they had said by then. */
  readonly preferences?: Partial<Preferences>;
  readonly salt: Uint8Array<ArrayBuffer>;
  readonly hash: ArrayBuffer;
  /** Wrong PINs since the last right one. */
  readonly wrong: number;
}

/** Parts kept here: the shop's range with its address, and those found beside it. */
export interface KnownParts {
  readonly hash: string;
  readonly parts: readonly Part[];
}

interface TabletData extends DBSchema {
  waiting: { key: number; value: { rig: string; one: Waiting }; indexes: { rig: string } };
  rigs: { key: string; value: RigCopy };
  session: { key: string; value: Session };
  riggers: { key: string; value: KnownRigger };
  parts: { key: string; value: KnownParts };
}

/** So many rigs are kept for working without the network; the oldest copy goes first. */
const COPIES = 12;

/**
 * What this tablet keeps for itself, across reloads and restarts: what is not sent, rigs to go on with and who
 * was signed in while there is no network.
 */
@Injectable({ providedIn: 'root' })
export class Tablet {
  private opened?: Promise<IDBPDatabase<TabletData>>;
  /** Set when this browser keeps nothing: what is not sent is gone with the page. */
  readonly trouble = signal('');

  private open(): Promise<IDBPDatabase<TabletData>> {
    return (this.opened ??= new Promise((resolve, reject) => {
      openDB<TabletData>('plain-cleat', 2, {
        upgrade(db, before) {
          db.createObjectStore('parts');
          if (before === 1) return;
          db.createObjectStore('waiting', { autoIncrement: true }).createIndex('rig', 'rig');
          db.createObjectStore('rigs', { keyPath: 'id' });
          db.createObjectStore('session');
          db.createObjectStore('riggers', { keyPath: 'id' });
        },
        // Waiting for an older tab may take for ever: it is said instead, and nothing is kept here meanwhile.
        blocked: () =>
          reject(new Error('an older version is open in another tab: reload or close that one, then reload this page')),
        blocking: (_before, _now, event) => {
          (event.target as IDBDatabase).close();
          this.trouble.set('A newer version is open in another tab: reload this page to go on.');
        },
      }).then(resolve, reject);
    }));
  }

  /** Does something with what is kept; says so once, and goes on without, where the browser keeps nothing. */
  private async with<T>(work: (db: IDBPDatabase<TabletData>) => Promise<T>): Promise<T | undefined> {
    try {
      return await work(await this.open());
    } catch (error) {
      this.trouble.set(`This browser keeps nothing on the tablet (${(error as Error).message}). Do not close the page.`);
      return undefined;
    }
  }

  /** What waits for a rig, in the order it happened. */
  async waitingOf(rig: string): Promise<{ key: number; one: Waiting }[]> {
    const found = await this.with(async (db) => {
      const reading = db.transaction('waiting').store.index('rig');
      const [keys, all] = await Promise.all([reading.getAllKeys(rig), reading.getAll(rig)]);
      return all.map(({ one }, i) => ({ key: keys[i] ?? 0, one }));
    });
    return found ?? [];
  }

  /** The rigs something waits for. */
  async rigsWaiting(): Promise<string[]> {
    const all = await this.with(async (db) => (await db.getAll('waiting')).map((w) => w.rig));
    return [...new Set(all ?? [])];
  }

  addWaiting = (rig: string, one: Waiting): Promise<number | undefined> => this.with((db) => db.add('waiting', { rig, one }));
  putWaiting = (key: number, rig: string, one: Waiting): Promise<unknown> =>
    this.with((db) => db.put('waiting', { rig, one }, key));
  dropWaiting = (key: number): Promise<unknown> => this.with((db) => db.delete('waiting', key));

  async saveRig(doc: RigDocument): Promise<void> {
    await this.with(async (db) => {
      await db.put('rigs', { id: doc.id, doc, at: new Date().toISOString() });
      const all = (await db.getAll('rigs')).sort((a, b) => (a.at < b.at ? 1 : -1));
      await Promise.all(all.slice(COPIES).map((old) => db.delete('rigs', old.id)));
    });
  }

  /** The rigs kept here, the last one seen first. */
  async rigs(): Promise<RigCopy[]> {
    return ((await this.with((db) => db.getAll('rigs'))) ?? []).sort((a, b) => (a.at < b.at ? 1 : -1));
  }

  rig = (id: string): Promise<RigCopy | undefined> => this.with((db) => db.get('rigs', id));

  saveParts = (which: 'range' | 'found', known: KnownParts): Promise<unknown> => this.with((db) => db.put('parts', known, which));
  parts = (which: 'range' | 'found'): Promise<KnownParts | undefined> => this.with((db) => db.get('parts', which));

  saveSession = (session: Session): Promise<unknown> => this.with((db) => db.put('session', session, 'last'));
  session = (): Promise<Session | undefined> => this.with((db) => db.get('session', 'last'));

  saveRigger = (rigger: KnownRigger): Promise<unknown> => this.with((db) => db.put('riggers', rigger));
  riggers = async (): Promise<KnownRigger[]> => (await this.with((db) => db.getAll('riggers'))) ?? [];

  /** Somebody signs out: who was here and the copies go, what is not sent stays. */
  async forget(): Promise<void> {
    await this.with((db) => Promise.all([db.clear('rigs'), db.clear('session'), db.clear('riggers'), db.clear('parts')]));
  }

  /** Keeps nothing any more, what is not sent neither. */
  async empty(): Promise<void> {
    await this.forget();
    await this.with((db) => db.clear('waiting'));
  }
}
