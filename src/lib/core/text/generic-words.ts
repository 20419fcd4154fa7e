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

/** Of each text the languages in which it says nothing. */
const LANGUAGES_OF = new Map<string, string[]>();
for (const [language, words] of Object.entries(WORDS)) {
    for (const text of words.split('|')) {
        const own = LANGUAGES_OF.get(text);
        if (own) own.push(language);
        else LANGUAGES_OF.set(text, [language]);
    }
}

/** Whatever stands around the words: arrows, dots, quotes, brackets. */
const AROUND = /^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/gu;
const MOST_CHARACTERS = 40;

/** Languages in which the words of a link say nothing of its target; none for most. */
export function genericIn(anchor: string): readonly string[] {
    if (anchor.length > MOST_CHARACTERS) return NONE;
    return LANGUAGES_OF.get(anchor.toLowerCase().replace(AROUND, '')) ?? NONE;
}

const NONE: readonly string[] = [];

/**
 * Whether the words of a link say nothing in the language of a page.
 * @param language the first subtag of its `lang`, in small letters; where it has no list, or says none, all lists count
 */
export function isGeneric(anchor: string, language: string): boolean {
    const languages = genericIn(anchor);
    return languages.length > 0 && (!Object.hasOwn(WORDS, language) || languages.includes(language));
}
