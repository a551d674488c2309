// What the headings of a list of results say, in the languages of clubs, and which language that is.
import { plainName } from '../text';
import type { ResultField } from './shapes';

/** Languages that headings and months are known in. */
export const FILE_LANGUAGES = ['en', 'de', 'fr', 'es', 'it', 'nl', 'pl', 'pt', 'sv'] as const;
export type FileLanguage = (typeof FILE_LANGUAGES)[number];

type Named = Exclude<ResultField, 'ignore'>;

/** Words of each language by what a column holds; headings as {@link plainName} gives them. */
const WORDS: Readonly<Record<FileLanguage, Readonly<Partial<Record<Named, RegExp>>>>> = {
  en: {
    pool: /^(pool|course$|basin)/,
    splits: /^(splits?|laps?$|lap times|intermediate)/,
    meet: /^(meet|competition|gala)/,
    given: /^(given|first|fore ?name)/,
    family: /^(family|last|surname)/,
    swimmer: /^(swimmer|name|athlete|who|full ?name)/,
    date: /^(date|day|on$|held|start)/,
    distance: /^(dist|metres|meters|length_m|m$|event)/,
    time: /^(time|secs|seconds|duration|result|swim ?time)/,
    strokes: /^(strokes|count)/,
    kind: /^(kind|type)/,
  },
  de: {
    pool: /^(bahn|becken)/,
    splits: /^zwischenzeit/,
    meet: /^veranstaltung/,
    given: /^(vorname|rufname)/,
    family: /^(nachname|familienname)/,
    swimmer: /^(schwimmer|teilnehmer|mitglied)/,
    date: /^(datum|tag$|wann)/,
    distance: /^(strecke|distanz|meter|wettkampf)/,
    time: /^(zeit|endzeit|ergebnis|sekunden)/,
    strokes: /^(zuge|armzuge)/,
    kind: /^art$/,
  },
  fr: {
    pool: /^bassin/,
    splits: /^(temps de )?passage/,
    meet: /^(competition|rencontre)/,
    given: /^prenom/,
    family: /^nom( de famille)?$/,
    swimmer: /^(nageu|participant)/,
    date: /^jour/,
    distance: /^(epreuve|course)/,
    time: /^(temps|duree|resultat)/,
    strokes: /^coups/,
  },
  es: {
    pool: /^piscina/,
    splits: /^(tiempos )?parcial/,
    meet: /^(competicion|encuentro)/,
    given: /^(primer )?nombre$/,
    family: /^apellid/,
    swimmer: /^nadador/,
    date: /^(fecha|dia$)/,
    distance: /^(distancia|prueba)/,
    time: /^(tiempo|marca)/,
    strokes: /^brazadas/,
  },
  it: {
    pool: /^vasca/,
    splits: /^(passagg|parzial)/,
    meet: /^manifestazione/,
    given: /^nome$/,
    family: /^cognome/,
    swimmer: /^(nuotat|atleta)/,
    date: /^(data|giorno)$/,
    distance: /^(distanza|gara)/,
    time: /^tempo/,
    strokes: /^bracciate/,
  },
  nl: {
    pool: /^(bad$|badlengte|zwembad)/,
    splits: /^tussentijd/,
    meet: /^wedstrijd/,
    given: /^voornaam/,
    family: /^achternaam/,
    swimmer: /^(zwemmer|naam)/,
    date: /^dag$/,
    distance: /^(afstand|programma)/,
    time: /^(tijd|eindtijd)/,
    strokes: /^slagen/,
  },
  pl: {
    pool: /^(basen|plywalnia)/,
    splits: /^miedzyczas/,
    meet: /^zawody/,
    given: /^imie$/,
    family: /^nazwisko/,
    swimmer: /^(zawodni|plywa|imie i nazwisko)/,
    date: /^dzien/,
    distance: /^(dystans|konkurencja)/,
    time: /^(czas|wynik)/,
    strokes: /^ruchy/,
  },
  pt: {
    splits: /^parcia/,
    meet: /^competicao/,
    given: /^primeiro nome/,
    family: /^(apelido|sobrenome)/,
    swimmer: /^atleta/,
    date: /^dia$/,
    distance: /^prova/,
    time: /^(tempo|duracao)/,
    strokes: /^bracadas/,
  },
  sv: {
    pool: /^(bassang|bana)/,
    splits: /^mellantid/,
    meet: /^tavling/,
    given: /^fornamn/,
    family: /^efternamn/,
    swimmer: /^(simmare|namn)/,
    date: /^dag$/,
    distance: /^(stracka|gren)/,
    time: /^tid$/,
    strokes: /^armtag/,
  },
};

const plain = (heading: string) =>
  plainName(heading)
    .replace(/[.*:()[\]]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** The language that most headings are of, English where none says more. @example languageOf(['Datum', 'Strecke']) // 'de' */
export function languageOf(headings: readonly string[]): FileLanguage {
  const score = (language: FileLanguage) =>
    headings.filter((h) => Object.values(WORDS[language]).some((words) => words.test(plain(h)))).length;
  return FILE_LANGUAGES.reduce((best, language) => (score(language) > score(best) ? language : best));
}

/**
 * What each column is called; the words of the file's own language first. A lone name beside a given name is a family name.
 *
 * @example fieldsOf(['Name', 'Vorname', 'Datum']) // ['family', 'given', 'date']
 */
export function fieldsOf(headings: readonly string[]): ResultField[] {
  const own = languageOf(headings);
  const languages = [own, ...FILE_LANGUAGES.filter((language) => language !== own)];
  const taken = new Set<ResultField>();
  const fields = headings.map((heading): ResultField => {
    for (const language of languages)
      for (const [field, words] of Object.entries(WORDS[language]) as [Named, RegExp][])
        if (!taken.has(field) && words.test(plain(heading))) {
          taken.add(field);
          return field;
        }
    return 'ignore';
  });
  if (taken.has('swimmer') && taken.has('given') && !taken.has('family'))
    return fields.map((field) => (field === 'swimmer' ? 'family' : field));
  // "Name" beside "Surname" is the first of the two.
  if (taken.has('swimmer') && taken.has('family') && !taken.has('given'))
    return fields.map((field) => (field === 'swimmer' ? 'given' : field));
  if (taken.has('given') !== taken.has('family'))
    return fields.map((field) => (field === 'given' || field === 'family' ? 'swimmer' : field));
  return fields;
}

/** Names of the months in a language, long and short, in plain letters. */
const MONTHS = new Map<FileLanguage, readonly (readonly string[])[]>();

function monthsOf(language: FileLanguage): readonly (readonly string[])[] {
  const known = MONTHS.get(language);
  if (known) return known;
  const made = Array.from({ length: 12 }, (_, month) => {
    const day = new Date(2026, month, 15, 12);
    return [
      day.toLocaleDateString(language, { month: 'long' }),
      day.toLocaleDateString(language, { month: 'long', day: 'numeric' }),
    ].map((said) =>
      plainName(said)
        .replace(/[\d.]|\bde\b/g, '')
        .trim(),
    );
  });
  MONTHS.set(language, made);
  return made;
}

/**
 * A month by its name or the beginning of it, 1–12; null when it is none. The file's language goes before English.
 *
 * @example monthNamed('Okt', 'de') // 10
 */
export function monthNamed(said: string, language: FileLanguage): number | null {
  const word = plainName(said).replace(/\./g, '').trim();
  if (word.length < 3) return null;
  for (const one of [language, 'en'] as const) {
    const fitting = monthsOf(one).flatMap((names, i) => (names.some((name) => name.startsWith(word)) ? [i + 1] : []));
    if (fitting.length === 1) return fitting[0]!;
  }
  return null;
}
