import { describe, expect, it } from 'vitest';
import { ACTION_WORDS, actionFinder, defaultActionWords } from './actions.ts';

const find = actionFinder(defaultActionWords());
const at = (path: string): string | null => find(`https://a.example${path}`);

describe('actionFinder', () => {
    it.each([
        '/logout',
        '/log-out/',
        '/Log_Out',
        '/logout.php',
        '/account/sign%20out',
        '/reserve/panel-saw/',
        '/item/delete/12',
        '/shop/?add=7',
        '/shop/?delete',
        '/list?action=remove&id=3',
        '/index.php?do=logout',
        '/warenkorb/l%C3%B6schen'.replace('l%C3%B6schen', 'entfernen'),
        '/compte/se-deconnecter',
        '/compte/d%C3%A9connexion',
        '/vote?id=1',
    ])('%s looks like an action', (path) => {
        expect(at(path)).not.toBeNull();
    });

    it.each([
        '/',
        '/guides/add-a-shelf/',
        '/guides/how-to-remove-paint',
        '/docs/add/index.html',
        '/functions/delete.html',
        '/reserve/where/to/find/it',
        '/reserve/panel/saw',
        '/delete/a/b/',
        '/address/',
        '/search?q=delete',
        '/search?mode=list',
        '/addition',
        '/a?added=1',
    ])('%s does not', (path) => {
        expect(at(path)).toBeNull();
    });

    it('says the word and where it stands', () => {
        expect(at('/x?action=remove')).toBe('"remove" as the value of "action"');
        expect(at('/reserve/12')).toBe('"reserve" in the path');
        expect(at('/?delete=12')).toBe('"delete" as a parameter');
    });

    it('uses the words it is given, in every spelling of theirs', () => {
        const own = actionFinder(['Wurf_Weg']);
        expect(own('https://a.example/wurf-weg')).not.toBeNull();
        expect(own('https://a.example/logout')).toBeNull();
    });

    it('has words in seven languages, each word once in its language', () => {
        expect(Object.keys(ACTION_WORDS)).toHaveLength(7);
        for (const words of Object.values(ACTION_WORDS)) expect(new Set(words).size).toBe(words.length);
    });
});
