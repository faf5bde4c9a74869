import type { Length } from '@elder-cog/core';
import { z } from 'zod';

/** Facts as they cross the wire and stand in a file. Lengths are whole nanometres; times ISO 8601 UTC. */

export const id = z.uuid();
export const time = z.iso.datetime();
/** Checked as a whole number of nanometres; only its type says that it is a length. */
export const lengthNm = z.int().min(-10_000_000_000).max(10_000_000_000) as unknown as z.ZodType<Length, number>;
export const lengthUnit = z.enum(['mm', 'in', 'thou', 'um']);
/** What a drag, or the torque of a nut, is said in. */
export const torqueUnit = z.enum(['N·m', 'lbf·ft', 'lbf·in', 'kgf·m', 'kgf·cm', 'ozf·in']);
/** What a balance on a cord shows. */
export const forceUnit = z.enum(['N', 'kgf', 'gf', 'lbf', 'ozf']);
/** N·m: no nut of a gearbox or an axle takes more. */
export const newtonMetres = z.number().min(0).max(20_000);
export const revision = z.int().min(1);
export const words = z.string().trim().min(1).max(120);
export const note = z.string().max(4000);
/** who did it, as they sign themselves */
export const who = z.string().trim().max(60);
/** Taken back, and kept because something that was taken back before it still names it. Left out wherever it is not so. */
export const gone = z.boolean().optional();
