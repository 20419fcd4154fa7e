/** Dates of sitemaps: W3C Date and Time Formats (NOTE-datetime), which the protocol names. */

const FORM =
    /^(\d{4})(?:-(0[1-9]|1[0-2])(?:-(0[1-9]|[12]\d|3[01])(?:T([01]\d|2[0-3]):[0-5]\d(?::[0-5]\d(?:\.\d+)?)?(?:Z|[+-](?:[01]\d|2[0-3]):[0-5]\d))?)?)?$/;

/** True for a year, a month, a day of the calendar, or a day and time with its zone. */
export function isW3cDate(text: string): boolean {
    const [, year, month, day] = FORM.exec(text) ?? [];
    if (year === undefined) return false;
    return month === undefined || day === undefined || Number(day) <= daysIn(Number(year), Number(month));
}

/** Days of a month from 1 (Gregorian calendar). */
function daysIn(year: number, month: number): number {
    if (month === 2) return (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0 ? 29 : 28;
    return [4, 6, 9, 11].includes(month) ? 30 : 31;
}
