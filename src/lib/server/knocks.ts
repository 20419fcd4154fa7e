/** The last knocks at a site's door, asked of the database once a request. */
import { askedOnce } from './request-memo.ts';
import type { Database } from './store/connect.ts';
import { listKnocks, type StoredKnock } from './store/door-store.ts';

export function knocksIn(db: Database, siteId: number): Promise<StoredKnock[]> {
    return askedOnce(`knocks ${siteId}`, () => listKnocks(db, siteId));
}
