/**
 * Words of links that say nothing of what they lead to, by language: "read more", "here". Whole texts of links, in small
 * letters, without the marks that stand around them.
 */
const WORDS: Readonly<Record<string, string>> = {
    ca: 'aquí|clica aquí|més|llegir més|llegeix més|més informació|continua|següent|anterior|enllaç',
    cs: 'zde|klikněte zde|více|číst více|další informace|pokračovat|další|předchozí|odkaz',
    cy: 'yma|cliciwch yma|mwy|darllen mwy|rhagor|mwy o wybodaeth|parhau|nesaf|blaenorol|dolen',
    da: 'her|klik her|mere|læs mere|se mere|mere information|fortsæt|næste|forrige|link',
    de: 'hier|hier klicken|klicken sie hier|klick hier|mehr|mehr lesen|weiterlesen|lesen sie mehr|mehr erfahren|mehr dazu|mehr infos|mehr informationen|weitere informationen|weiter|zurück|nächste|vorherige|link|zum artikel|zur seite',
    en: 'here|click here|click|click this|this|this page|this link|link|more|read more|read on|see more|view more|show more|learn more|find out more|more info|more information|more details|continue|continue reading|go here|next|previous|prev|next page|previous page|older|newer|back|up|top|back to top|see here|full story|full article',
    es: 'aquí|haz clic aquí|haga clic aquí|pulse aquí|más|leer más|ver más|más información|saber más|continuar|siguiente|anterior|enlace',
    fi: 'tästä|täältä|klikkaa tästä|lisää|lue lisää|katso lisää|lisätietoja|jatka|seuraava|edellinen|linkki',
    fr: "ici|cliquez ici|cliquer ici|plus|lire la suite|lire plus|voir plus|en savoir plus|plus d’informations|plus d'informations|plus d’infos|la suite|suite|suivant|précédent|lien|continuer",
    it: 'qui|clicca qui|cliccare qui|più|leggi|leggi di più|leggi tutto|scopri di più|maggiori informazioni|altro|continua|avanti|indietro|successivo|precedente|link',
    nb: 'her|klikk her|mer|les mer|se mer|mer informasjon|fortsett|neste|forrige|lenke',
    nl: 'hier|klik hier|meer|lees meer|lees verder|meer lezen|meer informatie|meer info|verder|volgende|vorige|link',
    no: 'her|klikk her|mer|les mer|se mer|mer informasjon|fortsett|neste|forrige|lenke',
    pl: 'tutaj|tu|kliknij tutaj|kliknij|więcej|czytaj więcej|czytaj dalej|zobacz więcej|więcej informacji|dalej|następna|poprzednia|link',
    pt: 'aqui|clique aqui|mais|ler mais|leia mais|ver mais|saiba mais|mais informações|continuar|seguinte|próximo|anterior|link',
    sv: 'här|klicka här|mer|läs mer|se mer|mer information|fortsätt|nästa|föregående|länk',
    ar: 'هنا|اضغط هنا|انقر هنا|المزيد|اقرأ المزيد|التالي|السابق',
    ja: 'こちら|ここ|ここをクリック|こちらをクリック|詳細|詳しくはこちら|もっと見る|続きを読む|次へ|前へ',
};

/** Whatever stands around the words: arrows, dots, quotes, brackets. */
const AROUND = /^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/gu;
export const LONGEST_GENERIC = 40;

/** Languages with a list of ours, by their subtags. */
export const GENERIC_LANGUAGES: readonly string[] = Object.keys(WORDS).sort();

/** What a site says beside our lists: this wording says nothing (or something, after all) in a language; `''` for any. */
export interface GenericSaid {
    language: string;
    text: string;
    isGeneric: boolean;
}

/** A wording as lists have it: small letters, without the marks around it; empty where nothing is left, or too much. */
export function genericForm(text: string): string {
    return text.length > LONGEST_GENERIC ? '' : text.toLowerCase().replace(AROUND, '');
}

export type GenericOrigin = 'ours' | 'added' | 'dropped';

/** Which words of links say nothing: our lists, and what a site says of them. */
export class GenericWords {
    /** The same for the same lists. */
    readonly key: string;
    readonly said: readonly GenericSaid[];
    /** Of each text the languages in which it says nothing. */
    readonly #languagesOf = new Map<string, string[]>();

    constructor(said: readonly GenericSaid[] = []) {
        this.said = said.map((one) => ({ ...one, text: genericForm(one.text) })).filter(({ text }) => text !== '');
        this.key = this.said.length === 0 ? '' : JSON.stringify(this.said);
        for (const [language, words] of Object.entries(WORDS))
            for (const text of words.split('|')) this.#put(text, language);
        for (const { language, text, isGeneric } of this.said) {
            this.#drop(text, language);
            if (isGeneric) this.#put(text, language);
        }
    }

    #put(text: string, language: string): void {
        const own = this.#languagesOf.get(text);
        if (own) own.push(language);
        else this.#languagesOf.set(text, [language]);
    }

    /** Said of any language, a wording of ours says something in all of them. */
    #drop(text: string, language: string): void {
        const left = (this.#languagesOf.get(text) ?? []).filter((own) => language !== '' && own !== language);
        if (left.length === 0) this.#languagesOf.delete(text);
        else this.#languagesOf.set(text, left);
    }

    /** Languages in which the words of a link say nothing of its target; none for most. */
    in(anchor: string): readonly string[] {
        return this.#languagesOf.get(genericForm(anchor)) ?? NONE;
    }

    /**
     * Whether the words of a link say nothing in the language of a page.
     * @param language the first subtag of its `lang`, in small letters; where we have no list, or it says none, all count
     */
    has(anchor: string, language: string): boolean {
        const languages = this.in(anchor);
        if (languages.length === 0) return false;
        return !Object.hasOwn(WORDS, language) || languages.includes(language) || languages.includes('');
    }

    /** The list of a language, by its words: ours, and what was added to it or taken out of it. */
    list(language: string): { text: string; from: GenericOrigin }[] {
        const all = new Map<string, GenericOrigin>(
            Object.hasOwn(WORDS, language) ? WORDS[language]!.split('|').map((text) => [text, 'ours']) : [],
        );
        for (const { language: of, text, isGeneric } of this.said) {
            if (of !== language) continue;
            if (!isGeneric) all.set(text, 'dropped');
            else if (all.get(text) !== 'ours') all.set(text, 'added');
        }
        return [...all]
            .map(([text, from]) => ({ text, from }))
            .sort((a, b) => (a.text < b.text ? -1 : a.text > b.text ? 1 : 0));
    }
}

const NONE: readonly string[] = [];

/** Our lists alone. */
export const GENERIC_WORDS = new GenericWords();
