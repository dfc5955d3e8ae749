import { hash, verify } from '@node-rs/argon2';

/** Argon2id (the package's default algorithm) with the parameters of the OWASP password storage page (from memory): 19 MiB, 2 passes. */
const OPTIONS = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export const hashPassword = (password: string): Promise<string> => hash(password, OPTIONS);
export const verifyPassword = (stored: string, password: string): Promise<boolean> => verify(stored, password);
