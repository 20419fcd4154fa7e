/** The core pages in Welsh and French: path below the language folder, title, text. */
export interface Translation {
    /** Path of the English page it stands for. */
    of: string;
    /** Path below `/cy/` or `/fr/`; empty for the start. */
    path: string;
    title: string;
    text: string;
}

export const WELSH: Translation[] = [
    {
        of: '/',
        path: '',
        title: 'Llyfrgell Offer Fernhollow',
        text: 'Mae pedair mil o offer mewn chwe lle yn aros amdanoch. Dewch â cherdyn, ewch â dril, a dewch ag ef yn ôl.',
    },
    {
        of: '/visit/',
        path: 'ymweld/',
        title: 'Ymweld â ni',
        text: 'Mae gan bob cangen ei horiau ei hun. Yr un agosaf yw’r un orau fel arfer.',
    },
    {
        of: '/tools/',
        path: 'offer/',
        title: 'Offer',
        text: 'Llifiau, ysgolion, pympiau a phopeth rhyngddynt, yn ôl yr hyn a wnânt.',
    },
    {
        of: '/guides/',
        path: 'canllawiau/',
        title: 'Canllawiau',
        text: 'Sut i wneud pethau, gan bobl sydd wedi eu gwneud o’r blaen.',
    },
    {
        of: '/workshops/',
        path: 'gweithdai/',
        title: 'Gweithdai',
        text: 'Nosweithiau i ddysgu gyda’ch dwylo. Mae’r te am ddim.',
    },
    {
        of: '/branches/',
        path: 'canghennau/',
        title: 'Canghennau',
        text: 'Chwe lle, un cerdyn, a fan sy’n teithio rhyngddynt dros nos.',
    },
    {
        of: '/help/rules/',
        path: 'rheolau/',
        title: 'Rheolau',
        text: 'Glanhewch yr offeryn, dywedwch wrthym os torrodd, a dewch ag ef yn ôl mewn pryd.',
    },
    {
        of: '/help/fees/',
        path: 'ffioedd/',
        title: 'Ffioedd',
        text: 'Mae’r rhan fwyaf am ddim. Mae peiriannau mawr yn costio ychydig goronau y dydd.',
    },
];

export const FRENCH: Translation[] = [
    {
        of: '/',
        path: '',
        title: 'La bibliothèque d’outils de Fernhollow',
        text: 'Quatre mille outils vous attendent dans six lieux. Venez avec une carte, repartez avec une perceuse, et rapportez-la.',
    },
    {
        of: '/visit/',
        path: 'visite/',
        title: 'Nous rendre visite',
        text: 'Chaque lieu a ses heures et sa bouilloire. Le plus proche est presque toujours le bon.',
    },
    {
        of: '/tools/',
        path: 'outils/',
        title: 'Outils',
        text: 'Scies, échelles, pompes et tout le reste, rangés selon ce qu’ils font.',
    },
    {
        of: '/guides/',
        path: 'guides/',
        title: 'Guides',
        text: 'Comment on fait, raconté par ceux qui l’ont déjà fait.',
    },
    {
        of: '/workshops/',
        path: 'ateliers/',
        title: 'Ateliers',
        text: 'Des soirées pour apprendre avec les mains. Le thé est offert.',
    },
    {
        of: '/branches/',
        path: 'lieux/',
        title: 'Nos lieux',
        text: 'Six lieux, une seule carte, et une camionnette qui roule la nuit.',
    },
    {
        of: '/help/rules/',
        path: 'regles/',
        title: 'Règles',
        text: 'Nettoyez l’outil, dites-nous s’il a cassé, rapportez-le à temps.',
    },
    {
        of: '/help/fees/',
        path: 'tarifs/',
        title: 'Tarifs',
        text: 'Presque tout est gratuit. Les grosses machines coûtent quelques couronnes par jour.',
    },
];
