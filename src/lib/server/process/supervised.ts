/**
 * A process that a supervisor started, and how it learns that the supervisor is gone: their channel closes, which the
 * system does for a process that had no time to say goodbye.
 */

/** Calls back once when the supervisor has ended without ending this process; never for one started by hand. */
export function whenSupervisorIsGone(then: () => void): void {
    if (process.channel) process.once('disconnect', then);
}
