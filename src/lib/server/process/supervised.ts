/**
 * A process that a supervisor started: what it tells when it ends, and how it learns that the supervisor is gone. Their
 * channel closes then, which the system does for a process that had no time to say goodbye.
 */

/** Exit code of a process whose port was free when the supervisor looked, and is not any more. */
export const PORT_TAKEN = 75;

/** Calls back once when the supervisor has ended without ending this process; never for one started by hand. */
export function whenSupervisorIsGone(then: () => void): void {
    if (process.channel) process.once('disconnect', then);
}
