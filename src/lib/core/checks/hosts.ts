/** Do the ways to write the host of the site come down to one? */
import { originOf } from '../address/address.ts';
import { losingVariants } from '../areas/variants.ts';
import { defineCheck, type Check, type CheckView } from './check.ts';

/** A form of the host that answers by itself, with the one it is a double of. */
interface OpenForm {
    origin: string;
    other: string;
    by: 'door' | 'pages';
}

/**
 * By the door check two forms of the host that answer 200 and stay where they are; by the survey one on which a page
 * answers as the same page does on another. A form is told once.
 */
function openForms({ survey, beside }: CheckView): OpenForm[] {
    const forms = new Map<string, OpenForm>();
    const home = originOf(survey.head.start);
    const standing = beside.hostForms.filter(({ origin, status, lands }) => status === 200 && lands === origin);
    const meant = standing.find(({ origin }) => origin === home)?.origin ?? standing[0]?.origin;
    for (const { origin } of standing) {
        if (meant !== undefined && origin !== meant) forms.set(origin, { origin, other: meant, by: 'door' });
    }
    for (const [node, { winner, kind }] of losingVariants(survey)) {
        if (kind !== 'scheme' && kind !== 'host') continue;
        const [origin, other] = [originOf(survey.url(node)), originOf(survey.url(winner))];
        if (!forms.has(origin) && !forms.has(other)) forms.set(origin, { origin, other, by: 'pages' });
    }
    return [...forms.values()].sort((a, b) => (a.origin < b.origin ? -1 : 1));
}

export const HOST_CHECKS: readonly Check[] = [
    defineCheck({
        id: 'host-variants-open',
        severity: 'fault',
        looks: 'file',
        name: 'Several forms of the host',
        fires: 'A form of the host (http or https, with or without `www.`) that answers 200 by itself beside another, at the door check before the survey ended or with a page that was read on both.',
        quiet: 'Forms that redirect to one of them, or do not answer.',
        why: 'The whole site stands there twice, whatever its canonicals say.',
        advice: 'Redirect all forms of the host to one, for every address.',
        example: 'https://site.example/ and https://www.site.example/ both answer 200',
        ofFiles: (view) =>
            openForms(view).map(({ origin, other, by }) => ({ params: { other, by }, file: `${origin}/`, line: null })),
    }),
];
