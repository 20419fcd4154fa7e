/** What a survey's state allows: whether it is still read, and whether its rows are those of its revision. */
import type { Survey } from '../store/survey-store.ts';

type State = Pick<Survey, 'state' | 'revision' | 'latest'>;

/** True when nothing more is being read: it ended, or was paused. */
export function isEnded({ state }: Pick<State, 'state'>): boolean {
    return state !== 'waiting' && state !== 'running';
}

/** True for a survey as it was before something changed it: the database holds its packed form, and newer rows. */
export function isEarlier({ revision, latest }: Pick<State, 'revision' | 'latest'>): boolean {
    return revision < latest;
}

/** True when its rows are those of a revision: a paused survey goes on with the revision it has. */
export function isClosed({ state }: Pick<State, 'state'>): boolean {
    return isEnded({ state }) && state !== 'paused';
}
