import { showProposals } from '$lib/server/views/proposals.ts';
import { lookedAt } from '$lib/server/views/looked-at.ts';

export const load = lookedAt(({ locals, url }) => showProposals(locals, url));
