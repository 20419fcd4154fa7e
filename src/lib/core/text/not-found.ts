/** What pages say of themselves when what was asked for is not there, by language: phrases of titles and headings. */
const PHRASES: Readonly<Record<string, readonly string[]>> = {
    ca: ['no trobada', 'no s’ha trobat', "no s'ha trobat"],
    cs: ['nenalezena', 'nenalezeno', 'neexistuje'],
    cy: ['heb ei ganfod', 'ni chafwyd', 'heb ei chanfod'],
    da: ['ikke fundet', 'findes ikke'],
    de: ['nicht gefunden', 'existiert nicht', 'nicht mehr verfügbar'],
    en: ['not found', 'no longer available', 'no longer exists', 'does not exist', 'cannot be found', "can't be found"],
    es: ['no encontrada', 'no encontrado', 'no existe', 'ya no está disponible'],
    fi: ['ei löytynyt', 'ei löydy'],
    fr: ['introuvable', 'non trouvée', 'non trouvé', 'n’existe pas', "n'existe pas"],
    it: ['non trovata', 'non trovato', 'non esiste'],
    nb: ['ikke funnet', 'finnes ikke'],
    nl: ['niet gevonden', 'bestaat niet'],
    pl: ['nie znaleziono', 'nie istnieje'],
    pt: ['não encontrada', 'não encontrado', 'não existe'],
    sv: ['hittades inte', 'finns inte'],
};

/** Whatever the language: the status in words of its own at the head of a title. */
const STATUS = /^(?:error |fehler |erreur |http )?404\b/;

/**
 * The phrase a title or heading holds that says that nothing is here; null for none.
 * @param language as the page says it is in: its phrases and the English ones; without one those of all languages
 */
export function notFoundPhrase(text: string, language: string): string | null {
    const lower = text.toLowerCase().trim();
    const status = STATUS.exec(lower);
    if (status) return status[0];
    const own = PHRASES[language];
    const phrases = own ? [...own, ...PHRASES.en!] : Object.values(PHRASES).flat();
    return phrases.find((phrase) => lower.includes(phrase)) ?? null;
}
