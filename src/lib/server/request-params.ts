/** Parameters of a request that came in its body. */
import { z } from 'zod';

const Params = z.record(z.string(), z.union([z.string().max(100_000), z.number().int().min(0)]));

export const NO_PARAMS =
    'Send the parameters as a JSON object of texts and whole numbers, for example {"set": "orphan"}.';

/** What an address would say, from a JSON object of texts and whole numbers; null where the body is none. */
export async function paramsOf(request: Request): Promise<URLSearchParams | null> {
    const asked = Params.safeParse(await request.json().catch(() => null));
    if (!asked.success) return null;
    return new URLSearchParams(Object.entries(asked.data).map(([name, value]) => [name, String(value)]));
}
