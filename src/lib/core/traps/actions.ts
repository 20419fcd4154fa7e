/**
 * URLs that look like actions: following them would do something (put in a basket, delete, log out, vote). They are
 * recorded and not asked for. The words are kept per language and can be edited for a site.
 */

/** Words that name an action where they stand alone in a path segment, a parameter's name or its value. */
export const ACTION_WORDS: Readonly<Record<string, readonly string[]>> = {
    en: (
        'add remove delete destroy logout log-out signout sign-out logoff reserve vote upvote downvote subscribe ' +
        'unsubscribe checkout add-to-cart add-to-basket add-to-list remove-from-cart remove-from-basket addtocart ' +
        'report-abuse unlike unfollow cancel undelete rollback'
    ).split(' '),
    de: (
        'abmelden ausloggen entfernen loeschen reservieren abstimmen hinzufuegen in-den-warenkorb kuendigen ' +
        'abbestellen abonnieren stornieren'
    ).split(' '),
    fr: 'deconnexion supprimer retirer ajouter ajouter-au-panier reserver voter annuler se-deconnecter desabonner'.split(
        ' ',
    ),
    es: 'cerrar-sesion eliminar borrar quitar anadir agregar reservar votar cancelar anadir-al-carrito'.split(' '),
    it: 'esci elimina rimuovi aggiungi prenota vota annulla disconnetti aggiungi-al-carrello'.split(' '),
    nl: 'uitloggen verwijderen toevoegen reserveren stemmen annuleren afmelden'.split(' '),
    cy: 'allgofnodi dileu tynnu ychwanegu archebu pleidleisio canslo'.split(' '),
};

/** Parameters whose value says what is to be done. */
const VERB_PARAMETERS = new Set(['action', 'do', 'op', 'cmd', 'command', 'task', 'act', 'mode', 'method']);

/** All words, in the order of the languages. */
export function defaultActionWords(): string[] {
    return [...new Set(Object.values(ACTION_WORDS).flat())];
}

/** One spelling for `log_out`, `log%20out`, `Log-Out`: letters without marks, parts joined by hyphens. */
function plain(text: string): string {
    let decoded = text;
    try {
        decoded = decodeURIComponent(text.replace(/\+/g, ' '));
    } catch {
        // A broken triplet: compared as it is written.
    }
    return decoded
        .normalize('NFKD')
        .replace(/\p{M}+/gu, '')
        .toLowerCase()
        .replace(/[\s_]+/g, '-');
}

/** A path segment without the ending of a program: `logout.php` is `logout`. A `.html` is a document, not an action. */
function withoutEnding(segment: string): string {
    return segment.replace(/\.(?:php\d?|aspx?|jsp|cgi|do|action)$/, '');
}

/** Segments that may follow the word: the thing acted upon. */
const MOST_AFTER = 1;

/**
 * Why a URL looks like an action: the word and where it stands, as a sentence part; null when it does not.
 *
 * A word counts where it is the whole last path segment, or the whole last but one (`/reserve/ladder-4/`), the whole
 * name of a parameter that has a value (`?delete=7`), the value of a parameter like `action`, or the name of a bare
 * parameter (`?logout`). A word within a longer segment (`/guides/add-a-shelf/`) does not count.
 */
export function actionFinder(words: readonly string[]): (url: string) => string | null {
    const known = new Set(words.map(plain));
    return (url) => {
        const start = url.indexOf('/', url.indexOf('//') + 2);
        const mark = url.indexOf('?', start);
        const path = url.slice(start, mark === -1 ? undefined : mark);
        const segments = path.split('/').filter((segment) => segment !== '');
        const isDocument = /\.x?html?$/i.test(segments[segments.length - 1] ?? '');
        const from = isDocument ? segments.length : Math.max(0, segments.length - 1 - MOST_AFTER);
        for (let index = segments.length - 1; index >= from; index--) {
            const word = withoutEnding(plain(segments[index] ?? ''));
            if (known.has(word)) return `"${word}" in the path`;
        }
        if (mark === -1) return null;
        for (const piece of url.slice(mark + 1).split('&')) {
            const [rawName = '', rawValue = ''] = piece.split('=', 2);
            const name = plain(rawName);
            const value = plain(rawValue);
            if (known.has(name)) return `"${name}" as a parameter`;
            if (VERB_PARAMETERS.has(name) && known.has(value)) return `"${value}" as the value of "${name}"`;
        }
        return null;
    };
}
