/** What *Variants* shows: forms of the host and every other kind of variant, which one is meant, and the rule that says so. */
import { hostOf, originOf } from '../address/address.ts';
import { VARIANT_KINDS, type VariantKind } from '../address/variants.ts';
import { redirectRules, type RedirectRules } from '../areas/redirect-rules.ts';
import { losingVariants, meantForm } from '../areas/variants.ts';
import type { DoorForm } from '../checks/beside.ts';
import { acceptedOf } from '../checks/canonicals.ts';
import { isListed } from '../checks/roots.ts';
import { gateOf } from '../columns/gate-facts.ts';
import { evidenceBit } from '../evidence/evidence.ts';
import type { Gate } from '../gates/gates.ts';
import type { PackedSurvey } from '../packed/packed-survey.ts';
import { quoted } from '../sets/tokens.ts';
import { causeKey } from '../checks/cause-rows.ts';

/** Addresses that are named of one kind. */
const MOST_NAMED = 5;

/** One of the forms in which a host can be asked: with and without `www.`, by either scheme. */
export interface HostForm {
    origin: string;
    isStart: boolean;
    /** What the root of it did, as far as the survey asked: it answered, leads to another, or was not asked for. */
    does: 'answers' | 'redirects' | 'error' | 'not asked';
    status: number;
    /** Where it redirects. */
    to: string;
    /** What its root names as canonical; empty for none. */
    canonical: string;
    /** URLs of the site with this origin that the survey knows, and links to them from other pages. */
    urls: number;
    set: string;
    links: number;
    /** How it answered at the door check beside the survey; null where there was none. */
    door: { status: number | null; lands: string } | null;
}

export interface VariantPair {
    url: string;
    meant: string;
    gate: Gate | 'indexable' | null;
    linkedFrom: number;
    isListed: boolean;
}

/** All losing variants that one rule mends. */
export interface VariantGroup {
    kind: VariantKind;
    /** Addresses that are to be redirected. */
    pages: number;
    set: string;
    /** Of them: those whose canonical is the one that is meant, those other pages link to, those a sitemap lists, those other sites link to. */
    canonical: number;
    linked: number;
    listed: number;
    external: number;
    /** Standing that rests on them, in average pages. */
    standing: number;
    rules: RedirectRules;
    /** Those most linked to first. */
    named: VariantPair[];
}

export interface VariantsView {
    hosts: HostForm[];
    /** By the order of kinds. */
    groups: VariantGroup[];
    losing: number;
    set: string;
    standing: number;
}

/** Needs all facts and the measures. O(pages). @param knocked forms of the host at the door check beside it */
export function variantsView(survey: PackedSurvey, knocked: readonly DoorForm[] = []): VariantsView {
    const byRule = new Map<string, { kind: VariantKind; nodes: number[]; winner: number }>();
    for (const [node, { winner, kind }] of losingVariants(survey)) {
        const key = causeKey({ kind: 'variants', params: { by: kind, to: meantForm(survey, { winner, kind }) } });
        const own = byRule.get(key);
        if (own) own.nodes.push(node);
        else byRule.set(key, { kind, nodes: [node], winner });
    }
    const groups = [...byRule].map(([key, own]) => groupOf(survey, key, own));
    groups.sort((a, b) => VARIANT_KINDS.indexOf(a.kind) - VARIANT_KINDS.indexOf(b.kind) || b.pages - a.pages);
    return {
        hosts: hostForms(survey, knocked),
        groups,
        losing: groups.reduce((sum, { pages }) => sum + pages, 0),
        set: 'has finding "variant-doubles"',
        standing: groups.reduce((sum, { standing }) => sum + standing, 0),
    };
}

function groupOf(
    survey: PackedSurvey,
    key: string,
    { kind, nodes, winner }: { kind: VariantKind; nodes: readonly number[]; winner: number },
): VariantGroup {
    const [linkedFrom, standing, gate, evidence] = [
        survey.numbers('incoming_pages'),
        survey.numbers('standing'),
        survey.numbers('gate'),
        survey.numbers('evidence'),
    ];
    const [accepted, losing] = [acceptedOf(survey), losingVariants(survey)];
    const external = evidenceBit('external');
    const most = [...nodes].sort((a, b) => linkedFrom[b]! - linkedFrom[a]! || a - b);
    return {
        kind,
        pages: nodes.length,
        set: `cause ${quoted(key, true)}`,
        canonical: nodes.filter((node) => accepted(node) === losing.get(node)!.winner).length,
        linked: nodes.filter((node) => linkedFrom[node]! > 0).length,
        listed: nodes.filter((node) => isListed(survey, node)).length,
        external: nodes.filter((node) => (evidence[node]! & external) !== 0).length,
        standing: nodes.reduce((sum, node) => sum + (standing[node]! > 0 ? standing[node]! : 0), 0),
        rules: redirectRules(kind, survey.url(winner), survey.url(nodes[0]!)),
        named: most.slice(0, MOST_NAMED).map((node) => ({
            url: survey.url(node),
            meant: survey.url(losing.get(node)!.winner),
            gate: gateOf(gate[node]!),
            linkedFrom: linkedFrom[node]!,
            isListed: isListed(survey, node),
        })),
    };
}

/** The four forms of the start page's host; of an address of a network, or with a port, only those that are known. */
function hostForms(survey: PackedSurvey, knocked: readonly DoorForm[]): HostForm[] {
    const start = originOf(survey.head.start);
    const bare = hostOf(survey.head.start).replace(/^www\./, '');
    const forms = ['https', 'http'].flatMap((scheme) => [`${scheme}://${bare}`, `${scheme}://www.${bare}`]);
    const known = new Map<string, { urls: number; links: number }>();
    const links = survey.numbers('incoming_links');
    for (let node = 0; node < survey.count; node++) {
        const origin = originOf(survey.url(node));
        const own = known.get(origin) ?? { urls: 0, links: 0 };
        known.set(origin, { urls: own.urls + 1, links: own.links + links[node]! });
    }
    const isUsual = !/:|^\d+(?:\.\d+){3}$/.test(bare);
    return forms
        .filter((origin) => isUsual || known.has(origin))
        .map((origin) => ({
            door: knocked.find((form) => form.origin === origin) ?? null,
            origin,
            isStart: origin === start,
            ...rootOf(survey, origin),
            ...(known.get(origin) ?? { urls: 0, links: 0 }),
            set: `url begins ${quoted(`${origin}/`, true)}`,
        }));
}

function rootOf(survey: PackedSurvey, origin: string): Pick<HostForm, 'does' | 'status' | 'to' | 'canonical'> {
    const node = survey.nodeOf(`${origin}/`);
    const status = node === -1 ? 0 : survey.numbers('status')[node]!;
    if (status === 0) return { does: 'not asked', status: 0, to: '', canonical: '' };
    const end = survey.numbers('redirect')[node]!;
    if (end >= 0) return { does: 'redirects', status, to: survey.addressUrl(end), canonical: '' };
    const named = acceptedOf(survey)(node);
    const canonical = named < 0 ? '' : survey.addressUrl(named);
    return { does: status >= 400 ? 'error' : 'answers', status, to: '', canonical };
}
