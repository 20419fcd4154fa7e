/** Packs a survey that was closed, so that whoever opens it need not wait. */
import { packInThread } from '../pack/pack-in-thread.ts';
import type { DatabaseAccess } from '../process/database-process.ts';

/** What fails here is told, and made again when it is asked for. */
export async function packClosed(access: DatabaseAccess, surveyId: number, log: (line: string) => void): Promise<void> {
    try {
        await packInThread(access, surveyId, { make: 'kept', wanted: false });
    } catch (error) {
        log(`survey ${surveyId} could not be packed: ${(error as Error).message}`);
    }
}
