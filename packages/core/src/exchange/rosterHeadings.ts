import type { RosterColumn, RosterField } from './shapes';
import { levelCard, type LevelId, LEVELS } from '../swimmers';
import { plainName } from '../text';
import { METRES_PER_YARD, type PoolUnit } from '../units';

/** Headings in the languages of clubs; a plain name is one that {@link plainName} gives. */
const HEADINGS: readonly (readonly [Exclude<RosterField, 'ignore' | 'best'> | 'name', RegExp])[] = [
  ['email', /mail|correo|courriel/],
  [
    'birth',
    /birth|^born|^dob\b|^yob\b|^geb|jahrgang|^jg\b|naiss|^ne\(?e?\)? |nacim|nascit|nascim|urodz|rocznik|geboorte|^fodd|^fodt|syntym|narozen|^annee|^year$/,
  ],
  [
    'squad',
    /squad|group|^team|gruppe|mannschaft|equipe|^grupo|^equipo|^gruppo|squadra|^grupa|druzyna|^ploeg|^groep|^lag\b|ryhma|skupina/,
  ],
  ['level', /level|^stufe|^niveau|^nivel|livello|poziom|^niva\b|konnen|uroven/],
  [
    'given',
    /^(first|given|fore ?name|vorname|rufname|prenom|primer nombre|imie\b|voornaam|fornamn|etunimi|jmeno|fornavn|keresztnev|adi?$|prenume)/,
  ],
  [
    'family',
    /^(last|family|surname|nachname|familienname|nom de famille|apellid|cognome|nazwisko|achternaam|efternamn|sobrenome|apelido|prijmeni|sukunimi|etternavn|efternavn|vezeteknev|soyad|nume$)/,
  ],
  [
    'name',
    /^(full ?name|name|nom|nome|nombre|swimmer|athlete|who|schwimmer|nageu|nadador|nuotat|plywa|zwemmer|simmare|naam|namn|nimi|teilnehmer|member|mitglied)\b/,
  ],
];

/** A best time's heading: `100`, `100 free`, `400m Freistil`, `PB 50 crawl`. */
const BEST =
  /^(?:pb |best |sb )?(\d{2,5}) ?(m|y|yd|yds|yards|meters|metres)?(?: ?(free|freestyle|fr|crawl|front crawl|kraul|freistil|nl|nage libre|libre|libres|stile libero|sl|dowolny|vrij|frisim|vapaa))?$/;

/** What clubs call their levels. */
const LEVEL_WORDS: Readonly<Record<string, LevelId>> = {
  ...Object.fromEntries(
    LEVELS.flatMap((id, i) => [
      [id, id],
      [`${i + 1}`, id],
    ]),
  ),
  ...{
    beginner: 'settle',
    beginners: 'settle',
    novice: 'settle',
    learner: 'settle',
    anfanger: 'settle',
    debutant: 'settle',
    principiante: 'settle',
  },
  ...{
    improver: 'build',
    intermediate: 'build',
    advanced: 'hold',
    fortgeschritten: 'hold',
    competitive: 'race',
    competition: 'race',
    racing: 'race',
    wettkampf: 'race',
  },
};

/** The level that a word of a list names: the club's own names before what others call them. @internal */
export function levelNamed(said: string): LevelId | null {
  const word = plainName(said);
  const own = LEVELS.find((id) => plainName(levelCard(id).name) === word);
  return own ?? (Object.hasOwn(LEVEL_WORDS, word) ? LEVEL_WORDS[word]! : null);
}

/**
 * What the headings say; a lone "name" is a family name beside a given one.
 *
 * @param units what a distance is in where a heading does not say it: the units of the club
 * @example guessRoster(['100 free'], 'yd') // [{ field: 'best', distanceM: 91.44 }]
 */
export function guessRoster(headings: readonly string[], units: PoolUnit = 'm'): RosterColumn[] {
  const found = headings.map((heading): RosterColumn | { readonly field: 'name' } => {
    const plain = plainName(heading)
      .replace(/[._*:()]/g, ' ')
      .replace(/\s+/g, ' ')
      .trim();
    const best = BEST.exec(plain);
    if (best) {
      const yards = (best[2] ?? units).startsWith('y');
      const distanceM = Number(best[1]) * (yards ? METRES_PER_YARD : 1);
      return { field: 'best', distanceM: Math.round(distanceM * 100) / 100 };
    }
    return { field: HEADINGS.find(([, words]) => words.test(plain))?.[0] ?? 'ignore' };
  });
  const has = (field: string) => found.some((column) => column.field === field);
  const taken = new Set<string>();
  return found.map((column): RosterColumn => {
    const { field: said } = column;
    const field = said !== 'name' ? said : has('given') ? 'family' : has('family') ? 'given' : 'given-family';
    if (field === 'best') return column as RosterColumn;
    if (field !== 'ignore' && taken.has(field)) return { field: 'ignore' };
    taken.add(field);
    return { field };
  });
}
