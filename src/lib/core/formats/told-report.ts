/** A door check as it is given out: what went wrong in words, in the fields that have always held words. */
import type { DoorHop, DoorPage, DoorPlace, DoorReport } from '../door/door-report.ts';
import { robotsNote, toldDifference, toldVerdict, whereWords } from '../words/door.ts';
import { storedWords } from '../words/problems.ts';
import { foundWords, toldStep } from '../words/sitemap-steps.ts';

type ToldHop = Omit<DoorHop, 'failure'> & { failure: string };

const toldHop = (hop: DoorHop): ToldHop => ({ ...hop, failure: storedWords(hop.failure) });

const toldPlace = (place: DoorPlace | null) => place && { say: storedWords(place.say), where: whereWords(place.where) };

/** `mediaType` is the name that was given out first. */
const toldPage = (page: DoorPage) => ({
    ...page,
    mediaType: page.contentType,
    hops: page.hops.map(toldHop),
    failure: storedWords(page.failure),
    noindex: toldPlace(page.noindex),
    noindexInBody: toldPlace(page.noindexInBody),
    canonical: page.canonical && { ...page.canonical, where: whereWords(page.canonical.where) },
    refresh: toldPlace(page.refresh),
    closedBy: storedWords(page.closedBy),
});

/** The report with sentences (`docs/formats.md`). */
export function toldReport(report: DoorReport) {
    const { facts } = report;
    return {
        facts: {
            ...facts,
            variants: facts.variants.map((variant) => ({
                ...variant,
                hops: variant.hops.map(toldHop),
                certificate: variant.certificate && {
                    ...variant.certificate,
                    trouble: storedWords(variant.certificate.trouble),
                },
            })),
            robots: { ...facts.robots, note: robotsNote(facts.robots) },
            start: toldPage(facts.start),
            startAsOther: facts.startAsOther && toldPage(facts.startAsOther),
            samples: facts.samples.map(toldPage),
            differences: facts.differences.map(toldDifference),
            sitemaps: facts.sitemaps.map((sitemap) => ({
                ...sitemap,
                found: foundWords(sitemap.found),
                steps: sitemap.steps.map(toldStep),
            })),
        },
        verdict: toldVerdict(report),
    };
}
