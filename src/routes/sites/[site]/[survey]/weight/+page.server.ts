import { showWeight } from '$lib/server/views/weight.ts';

export const load = ({ locals, url, depends }) => (depends('edgemap:survey'), showWeight(locals, url));
