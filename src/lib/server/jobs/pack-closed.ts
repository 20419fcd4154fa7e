/** Packs a survey that was closed, so that whoever opens it need not wait. */
import { log } from '../process/log.ts';
import { packInThread } from '../pack/pack-in-thread.ts';
import type { DatabaseAccess } from '../process/database-process.ts';

/** What fails here is told, and made again when it is asked for. */
export async function packClosed(access: DatabaseAccess, surveyId: number): Promise<void> {
    try {
        await packInThread(access, surveyId, { make: 'kept', wanted: false });
        await packInThread(access, surveyId, { make: 'words', wanted: false });
    } catch (error) {
        log.error('a survey could not be packed', { survey: surveyId, error });
    }
}
