import { lookedAt } from '$lib/server/views/looked-at.ts';
import { showVariants } from '$lib/server/views/variants.ts';

export const load = lookedAt(({ locals }) => showVariants(locals));
