/** What a site says of the checks: which are off, which thresholds are its own, and what it lives with. */
import type { CheckId, Threshold } from './check.ts';

export interface CheckSettings {
    /** Checks that are switched off: nothing tells what they would find. */
    off: ReadonlySet<CheckId>;
    /** Thresholds that are not those of the register, by check. */
    thresholds: ReadonlyMap<CheckId, number>;
    accepted: Accepted;
}

/** What was accepted, each with the note that says why. */
export interface Accepted {
    /** Whole causes, by their keys. */
    causes: ReadonlyMap<string, string>;
    /** Findings by check and URL (`acceptedKey`): of links the URL they lead to. */
    findings: ReadonlyMap<string, string>;
}

export const acceptedKey = (check: CheckId, url: string): string => `${check} ${url}`;

/** Nothing off, nothing changed, nothing accepted. */
export const REGISTER_SETTINGS: CheckSettings = {
    off: new Set(),
    thresholds: new Map(),
    accepted: { causes: new Map(), findings: new Map() },
};

/** The same text for the same settings. */
export function settingsText({ off, thresholds, accepted }: CheckSettings): string {
    return JSON.stringify([
        [...off].sort(),
        [...thresholds].sort(),
        [...accepted.causes.keys()].sort(),
        [...accepted.findings.keys()].sort(),
    ]);
}

/** What is kept of a site: checks that are off, and thresholds by check. */
export interface SaidOfChecks {
    off: string[];
    thresholds: Record<string, number>;
}

/** @returns what is kept once a check has been changed, or why it cannot be, as a sentence */
export function changed(
    said: SaidOfChecks,
    { id, name, threshold: own }: { id: string; name: string; threshold?: Threshold },
    { isOff, threshold }: { isOff?: boolean | undefined; threshold?: number | null | undefined },
): SaidOfChecks | string {
    const off = new Set(said.off);
    if (isOff === true) off.add(id);
    if (isOff === false) off.delete(id);
    const { [id]: before, ...others } = said.thresholds;
    const kept = before === undefined ? others : said.thresholds;
    if (threshold === undefined) return { off: [...off], thresholds: kept };
    if (threshold === null || threshold === own?.value) return { off: [...off], thresholds: others };
    const refusal = thresholdRefusal(name, own, threshold);
    if (refusal !== '') return refusal;
    return { off: [...off], thresholds: { ...others, [id]: threshold } };
}

/** Why a check cannot have a threshold, as a sentence; empty where it can. */
export function thresholdRefusal(name: string, own: Threshold | undefined, value: number): string {
    if (own === undefined) return `“${name}” has no threshold.`;
    if (Number.isInteger(value) && value >= own.min && value <= own.max) return '';
    const [min, max] = [own.min, own.max].map((bound) => bound.toLocaleString('en'));
    return `The threshold of “${name}” is a number of ${own.unit} from ${min} to ${max}.`;
}
