import type { Response } from 'express';

/** Names an answer as a file to keep. */
export function attach(res: Response, type: string, name: string): void {
  res.type(type).setHeader('Content-Disposition', `attachment; filename="${name}"`);
}
