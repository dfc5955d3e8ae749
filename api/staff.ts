import { z } from 'zod';
import { ROLES, route } from './route';
import { pinSchema, staffSchema } from './session-schemas';

export const staffListSchema = z.array(
  staffSchema.extend({
    login: z.string(),
    hasPin: z.boolean(),
    ended: z.string().nullable().describe('when they left, ISO'),
  }),
);

/** What somebody signs in by; the same however it is typed. */
export const loginSchema = z
  .string()
  .trim()
  .toLowerCase()
  .regex(/^[a-z][a-z0-9.-]{1,58}$/, 'letters, digits, dots and hyphens, two at least, like mara');

const aName = 'a name of up to 80 letters, as it stands on papers';

export const staffNameSchema = z.string().trim().min(1, aName).max(80, aName);

/** Passwords are this long at least; how they are made up is their owner's affair (NIST SP 800-63B, from memory). */
export const newPasswordSchema = z.string().min(10, '10 characters at least').max(200, '200 characters at the most');

export const roleSchema = z.enum(ROLES, `one of ${ROLES.join(', ')}`);

export const addStaffSchema = z.strictObject({
  login: loginSchema,
  name: staffNameSchema,
  role: roleSchema,
  password: newPasswordSchema,
});

/** One thing of somebody that changes. */
export const changeStaffSchema = z.union([
  z.strictObject({ role: roleSchema }),
  z.strictObject({ password: newPasswordSchema }),
  z.strictObject({ pin: pinSchema.nullable() }),
  z.strictObject({ ended: z.boolean() }),
]);

export type StaffList = z.infer<typeof staffListSchema>;
export type AddStaff = z.infer<typeof addStaffSchema>;
export type ChangeStaff = z.infer<typeof changeStaffSchema>;

/** Who works here. */
export const STAFF_ROUTES = {
  staffList: route({
    method: 'GET',
    path: '/api/staff',
    who: ['manager'],
    says: 'Who works here, and who did',
    answer: staffListSchema,
  }),
  addStaff: route({
    method: 'POST',
    path: '/api/staff',
    who: ['manager'],
    says: 'Take somebody on',
    bytes: 10_000,
    body: addStaffSchema,
    answer: staffListSchema,
  }),
  changeStaff: route({
    method: 'POST',
    path: '/api/staff/:login',
    who: ['manager'],
    says: 'Another role, password or PIN; leave, or be back',
    bytes: 10_000,
    body: changeStaffSchema,
    answer: staffListSchema,
  }),
} as const;
