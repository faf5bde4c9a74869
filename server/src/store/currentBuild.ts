import type { Build } from '@elder-cog/contract';
import { builds } from './builds.ts';
import type { Db } from './open.ts';
import { places } from './places.ts';
import { stations } from './stations.ts';
import { stands } from './tables.ts';

/** The build that is current where another was seen: what is said with the refusal, for both to be looked at. */
export type Current = { readonly theirs: Build | null; readonly who?: string; readonly at?: string };

const NEWEST_OF_SHAFT = `SELECT DISTINCT b.id, b.seq FROM build b JOIN build_fit f ON f.build_id = b.id JOIN place p ON p.id = f.place_id
  WHERE p.shaft_id = ? AND b.seq > ? ORDER BY b.seq DESC`;
const SEQ = 'SELECT seq FROM build WHERE id = ?';

/** Of the builds that changed something of a shaft after the one that was seen, the newest that stands; null where the one seen is current. */
function overtaking(db: Db, shaftId: string, saw: string | null): Current | null {
  const seq = saw === null ? 0 : (db.prepare<[string], number>(SEQ).pluck().get(saw) ?? 0);
  const newer = db
    .prepare<[string, number], { id: string }>(NEWEST_OF_SHAFT)
    .all(shaftId, seq)
    .find(({ id }) => stands(db, 'build', id));
  const wasTakenBack = saw !== null && !stands(db, 'build', saw);
  if (!newer && !wasTakenBack) return null;
  const theirs = builds.byId(db, newer?.id ?? '');
  return { theirs, ...(theirs ? { who: theirs.who, at: theirs.at } : {}) };
}

export const currentBuild = {
  /** What has come between a new build and the one it was made after; null where nothing has, or nothing is said of it. */
  after(db: Db, build: Build, saw: string | null | undefined): Current | null {
    if (saw === undefined) return null;
    const shafts = new Set(build.fits.map((fit) => places.byId(db, fit.placeId)?.shaftId));
    for (const shaftId of shafts) {
      const current = shaftId === undefined ? null : overtaking(db, shaftId, saw);
      if (current) return current;
    }
    return null;
  },
  ofStation(db: Db, stationId: string, saw: string | null | undefined): Current | null {
    const shaftId = stations.byId(db, stationId)?.shaftId;
    return saw === undefined || !shaftId ? null : overtaking(db, shaftId, saw);
  },
};
