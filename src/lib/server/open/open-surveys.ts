/**
 * Packed surveys kept in memory for as long as they are looked at, each with its true size: columns, decoded texts,
 * orders, and whatever else was worked out of it. One limit for all of them together; the one looked at longest ago goes.
 */
import { log } from '../process/log.ts';
import { FACTS_VERSION, MEASURES_VERSION, type PackedSurvey } from '../../core/packed/packed-survey.ts';
import { type Part } from '../../core/columns/column.ts';
import { contentTag, decodeSections, type Sections } from '../../core/packed/sections.ts';
import { addPart, measuresVersion, openPacked, packedOf } from '../../wire/packed-head.ts';
import { packInThread } from '../pack/pack-in-thread.ts';
import type { PackRequest } from '../pack/pack-thread.ts';
import { WORDS_VERSION, type WordsHead } from '../../core/text/word-index.ts';
import { loadPacked, loadPackedBytes, packedKey, type StoredPart } from '../store/packed-store.ts';
import type { Store } from '../store/connect.ts';
import { getSurvey, type Survey } from '../store/survey-store.ts';
import { isClosed, isEarlier, isEnded } from './survey-state.ts';

/** A survey that still runs is packed anew after this long, not patched; and never more than a fifth of the time. */
const RUNNING_MILLISECONDS = 3_000;
const REST_PER_PACKING = 4;
/** Bytes of all of them together; the one in use always stays. */
const MOST_BYTES = 1024 * 1024 * 1024;
/** Tags of parts, each a few dozen bytes. */
const MOST_TAGS = 1_000;

/** An earlier revision that was kept and cannot be read: it cannot be made again either. */
export class RevisionLost extends Error {}

/** A survey that was deleted while somebody looked at it: whatever failed, failed because of that. */
export class SurveyGone extends Error {}

interface Kept {
    packed: Promise<PackedSurvey>;
    /** The same once it is there. */
    there: PackedSurvey | null;
    /** The survey as it was when this was made: another state, revision or number of batches is another survey. */
    madeOf: { state: Survey['state']; revision: number; batches: number };
    /** When it was made; null while it is in the making. */
    at: number | null;
    /** How long making it took, milliseconds. */
    took: number;
    /** A newer one is in the making; until it is there this one is shown. */
    isRenewed: boolean;
}

/** Numbers of a survey and, for one that stands beside the newest, of its revision. */
type Place = `${number}` | `${number}.${number}`;

export class OpenSurveys {
    readonly #store: () => Store;
    readonly #most: number;
    /** The last looked at last. */
    readonly #kept = new Map<Place, Kept>();
    /** Tags of parts that were read since this process began, by how they are kept. */
    readonly #tags = new Map<string, string>();

    /** @param most bytes of all surveys together */
    constructor(store: () => Store, most = MOST_BYTES) {
        this.#store = store;
        this.#most = most;
    }

    /** Bytes of all that is kept. */
    get bytes(): number {
        let bytes = 0;
        for (const { there } of this.#kept.values()) bytes += there?.bytes ?? 0;
        return bytes;
    }

    /**
     * The packed survey of a survey with the parts that are asked for. One that has ended is read from the database, and
     * made again where that cannot be; one that still runs is made from its rows every few seconds.
     *
     * @throws RevisionLost, SurveyGone
     */
    async open(survey: Survey, parts: readonly Part[] = ['core', 'text']): Promise<PackedSurvey> {
        // An earlier revision stands beside the newest; a new one takes the place of the one before it.
        const place: Place = isEarlier(survey) ? `${survey.id}.${survey.revision}` : `${survey.id}`;
        let known = this.#kept.get(place);
        if (!known || !isMadeOf(known, survey)) known = this.#begin(survey, place);
        else if (!isEnded(survey) && isStale(known)) this.#renew(survey, known);
        this.#kept.delete(place);
        this.#kept.set(place, known);
        const packed = await known.packed;
        for (const part of parts) if (!packed.has(part)) await this.#addPart(survey, packed, part);
        this.#letGo(place);
        return packed;
    }

    /**
     * The bytes of a part of a survey that has ended, as they are kept: the same that this process reads. Null while it
     * runs: what is made then is gone with the next look.
     */
    async bytesOf(survey: Survey, part: StoredPart): Promise<Uint8Array<ArrayBuffer> | null> {
        if (!isClosed(survey)) return null;
        const { db } = this.#store();
        const load = () => loadPackedBytes(db, survey.id, survey.revision, part);
        // Facts are what they are, whoever packed them; measures have to be those of this version.
        if (part === 'measures') await this.open(survey, []);
        let loaded = await load();
        if (part === 'words' ? !loaded.ok || !isCurrentIndex(loaded.bytes) : !loaded.ok) {
            await (part === 'words' ? this.#indexWords(survey) : this.open(survey, [part]));
            loaded = await load();
        }
        if (!loaded.ok) return null;
        const key = await packedKey(db, survey.id, survey.revision, part);
        if (key !== null) {
            if (this.#tags.size >= MOST_TAGS) this.#tags.clear();
            this.#tags.set(key, contentTag(loaded.bytes));
        }
        return loaded.bytes;
    }

    /**
     * The word index of a survey that has ended, made where it is not there or another one; null while it runs.
     * @throws RevisionLost where it is not there and cannot be made, SurveyGone
     */
    async words(survey: Survey): Promise<Sections | null> {
        if (!isClosed(survey)) return null;
        const kept = await loadPacked(this.#store().db, survey.id, survey.revision, 'words');
        const isCurrent = kept.ok && (kept.sections.head as Partial<WordsHead>).words === WORDS_VERSION;
        return isCurrent ? kept.sections : this.#indexWords(survey);
    }

    /** Has the word index of a survey made from its texts, in a thread of its own. */
    async #indexWords(survey: Survey): Promise<Sections> {
        if (isEarlier(survey)) notKept(survey, 'its words were not kept');
        // It is that of a packed survey.
        await this.open(survey, []);
        return (await this.#packedAnew(survey, 'words')).get('words')!;
    }

    /** The tag of a part's bytes where it is known without reading them; null where they have to be read first. */
    async tagOf(survey: Survey, part: StoredPart): Promise<string | null> {
        const key = isClosed(survey) ? await packedKey(this.#store().db, survey.id, survey.revision, part) : null;
        return (key !== null && this.#tags.get(key)) || null;
    }

    /** Lets go of those looked at longest ago, until the rest is within the limit. */
    #letGo(inUse: Place): void {
        let { bytes } = this;
        for (const [place, { there }] of this.#kept) {
            if (bytes <= this.#most || place === inUse) break;
            this.#kept.delete(place);
            bytes -= there?.bytes ?? 0;
        }
    }

    #begin(survey: Survey, place: Place): Kept {
        const { state, revision, batches } = survey;
        const began = Date.now();
        const packed = isClosed(survey) ? this.#loadOrMake(survey) : this.#make(survey, 'shown');
        const made: Kept = {
            packed,
            there: null,
            madeOf: { state, revision, batches },
            at: null,
            took: 0,
            isRenewed: false,
        };
        packed.then(
            (there) => Object.assign(made, { there, at: Date.now(), took: Date.now() - began }),
            () => {
                if (this.#kept.get(place) === made) this.#kept.delete(place);
            },
        );
        return made;
    }

    /** Has a running survey packed anew behind the one that is shown: nobody waits for it. */
    #renew(survey: Survey, known: Kept): void {
        known.isRenewed = true;
        const began = Date.now();
        this.#make(survey, 'shown')
            .then((there) =>
                Object.assign(known, {
                    packed: Promise.resolve(there),
                    there,
                    at: Date.now(),
                    took: Date.now() - began,
                }),
            )
            // The one that is shown stays; the next look tries again, unless the survey was deleted.
            .catch((error: unknown) => {
                if (!(error instanceof SurveyGone)) log.error('a survey could not be opened anew', { error });
            })
            .finally(() => (known.isRenewed = false));
    }

    /**
     * Parts of a survey, made from its rows in a thread of its own.
     * @throws SurveyGone where it was deleted meanwhile
     */
    async #packedAnew(survey: Survey, make: PackRequest['make']): Promise<ReadonlyMap<StoredPart, Sections>> {
        const { access, db } = this.#store();
        try {
            return await packInThread(access, survey.id, { make, wanted: true });
        } catch (failure) {
            if ((await getSurvey(db, survey.id)) === null) {
                throw new SurveyGone('This survey is not there any more: it was deleted.');
            }
            throw failure;
        }
    }

    /** Packs a survey from its rows. */
    async #make(survey: Survey, make: 'kept' | 'shown'): Promise<PackedSurvey> {
        const packed = packedOf(await this.#packedAnew(survey, make));
        if (!packed) throw new Error('what was packed has no head');
        return packed;
    }

    async #loadOrMake(survey: Survey): Promise<PackedSurvey> {
        const core = await loadPacked(this.#store().db, survey.id, survey.revision, 'core');
        const packed = core.ok ? openPacked(core.sections) : null;
        if (packed && (packed.head.facts === FACTS_VERSION || isEarlier(survey))) {
            await this.#addMeasures(survey, packed);
            return packed;
        }
        if (isEarlier(survey)) notKept(survey, core.ok ? 'its head is none of ours' : core.why);
        return this.#make(survey, 'kept');
    }

    /** Measures that are not there, or of another version, are made from the facts. */
    async #addMeasures(survey: Survey, packed: PackedSurvey): Promise<void> {
        const loaded = await loadPacked(this.#store().db, survey.id, survey.revision, 'measures');
        const isCurrent = loaded.ok && measuresVersion(loaded.sections.head) === MEASURES_VERSION;
        if (isCurrent && addPart(packed, 'measures', loaded.sections)) return;
        const parts = await this.#packedAnew(survey, { measuresOf: survey.revision });
        addPart(packed, 'measures', parts.get('measures')!);
    }

    async #addPart(survey: Survey, packed: PackedSurvey, part: Part): Promise<void> {
        const loaded = await loadPacked(this.#store().db, survey.id, survey.revision, part);
        if (loaded.ok) {
            addPart(packed, part, loaded.sections);
            return;
        }
        if (isEarlier(survey)) notKept(survey, loaded.why);
        // All parts are made at once, and equal rows give equal numbers: the other parts stay right.
        const parts = await this.#packedAnew(survey, 'kept');
        addPart(packed, part, parts.get(part)!);
    }
}

/** While a survey runs it has new batches all the time: it is made anew when it is due, not with each of them. */
function isMadeOf({ madeOf }: Kept, survey: Survey): boolean {
    if (madeOf.state !== survey.state) return false;
    return !isEnded(survey) || (madeOf.revision === survey.revision && madeOf.batches === survey.batches);
}

function isStale({ at, took, isRenewed }: Kept): boolean {
    return at !== null && !isRenewed && Date.now() - at >= Math.max(RUNNING_MILLISECONDS, took * REST_PER_PACKING);
}

/** An earlier revision cannot be made again. */
function notKept(survey: Survey, why: string): never {
    throw new RevisionLost(
        `Revision ${survey.revision} cannot be shown any more: ${why}. Its counts are still there, under Evidence.`,
    );
}

/** True for a word index of this version. */
function isCurrentIndex(bytes: Uint8Array<ArrayBuffer>): boolean {
    return (decodeSections(bytes).head as Partial<WordsHead>).words === WORDS_VERSION;
}
