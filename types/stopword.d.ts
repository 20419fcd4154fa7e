/** Lists of words without meaning of their own, by the ISO 639-3 code of their language. */
declare module 'stopword' {
    export const ara: readonly string[];
    export const cat: readonly string[];
    export const ces: readonly string[];
    export const dan: readonly string[];
    export const deu: readonly string[];
    export const eng: readonly string[];
    export const spa: readonly string[];
    export const eus: readonly string[];
    export const fin: readonly string[];
    export const fra: readonly string[];
    export const gle: readonly string[];
    export const hun: readonly string[];
    export const ita: readonly string[];
    export const nld: readonly string[];
    export const nob: readonly string[];
    export const por: readonly string[];
    export const ron: readonly string[];
    export const rus: readonly string[];
    export const slv: readonly string[];
    export const swe: readonly string[];
    export const tur: readonly string[];
}
