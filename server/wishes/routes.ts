import { type ColumnMeaning, plainHeading, readSheet } from '@plain-cleat/core/parts/catalog';
import { ROUTES } from '@plain-cleat/api';
import type { Router } from 'express';
import { HeadingRow } from '../database/models';
import { bind } from '../http/bind';
import { badInput } from '../problems/problem';
import { read } from '../imports/read';

/** The owner's spreadsheet: read, its columns guessed, what was mapped by hand remembered. */
export function wishRoutes(router: Router): void {
  bind(router, ROUTES.readWishSheet, async ({ file, staff }) => {
    if (!file) throw badInput([{ field: 'file', says: 'choose a CSV or XLSX file' }]);
    const { cells, dropped } = await read(staff.id, 'sheet', file.buffer);
    const remembered = Object.fromEntries(
      (await HeadingRow.findAll()).map((r) => [r.heading, r.meaning as ColumnMeaning | 'nothing']),
    );
    const sheet = readSheet(cells, remembered);
    return {
      headings: [...sheet.headings],
      columns: [...sheet.columns],
      rows: sheet.rows.map((r) => [...r]),
      dropped,
    };
  });
  bind(router, ROUTES.rememberHeading, async ({ body }) => {
    const heading = plainHeading(body.heading).slice(0, 80);
    if (heading) await HeadingRow.upsert({ heading, meaning: body.meaning ?? 'nothing' });
    return {};
  });
}
