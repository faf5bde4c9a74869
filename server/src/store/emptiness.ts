import type { Db } from './open.ts';

const SHAFT = `SELECT NOT EXISTS (SELECT 1 FROM reading r JOIN station t ON t.id = r.station_id WHERE t.shaft_id = @id)
  AND NOT EXISTS (SELECT 1 FROM build_fit f JOIN place p ON p.id = f.place_id WHERE p.shaft_id = @id)
  AND NOT EXISTS (SELECT 1 FROM making m JOIN place p ON p.id = m.place_id WHERE p.shaft_id = @id AND m.gone = 0)
  AND NOT EXISTS (SELECT 1 FROM joint j JOIN place p ON p.id = j.place_id WHERE p.shaft_id = @id AND j.gone = 0)
  AND NOT EXISTS (SELECT 1 FROM rollers r JOIN place p ON p.id = r.place_id WHERE p.shaft_id = @id AND r.gone = 0)
  AND NOT EXISTS (SELECT 1 FROM strip_entry WHERE shaft_id = @id)`;
const ASSEMBLY = `SELECT NOT EXISTS (SELECT 1 FROM shaft WHERE assembly_id = @id AND gone = 0)
  AND NOT EXISTS (SELECT 1 FROM build WHERE assembly_id = @id)
  AND NOT EXISTS (SELECT 1 FROM reading r JOIN station t ON t.id = r.station_id WHERE t.assembly_id = @id)
  AND NOT EXISTS (SELECT 1 FROM joint WHERE assembly_id = @id AND gone = 0)
  AND NOT EXISTS (SELECT 1 FROM rollers WHERE assembly_id = @id AND gone = 0)
  AND NOT EXISTS (SELECT 1 FROM strip_entry WHERE assembly_id = @id)`;

/** Whether nothing was ever seen, measured or fitted of a thing: only then is it taken away. */
export const emptiness = {
  ofShaft: (db: Db, id: string): boolean => db.prepare<{ id: string }, number>(SHAFT).pluck().get({ id }) === 1,
  ofAssembly: (db: Db, id: string): boolean => db.prepare<{ id: string }, number>(ASSEMBLY).pluck().get({ id }) === 1,
};
