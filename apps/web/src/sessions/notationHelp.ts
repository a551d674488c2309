/** How a session is written: what can be said, with lines that can be tapped into the text. */
export interface HelpPart {
  readonly title: string;
  readonly says: string;
  /** Each is a line of a text that is read. */
  readonly lines: readonly string[];
}

export const NOTATION_HELP: readonly HelpPart[] = [
  {
    title: 'Parts',
    says: 'A heading on its own line, with its total if you like. Land takes minutes.',
    lines: ['Land 6 min', 'Warm-up = 400', 'Drills', 'Main set', 'Pull set', 'Kick set', 'Speed', 'Swim down'],
  },
  {
    title: 'Levels',
    says: 'One group after the other, each with its own parts. Without any, everybody swims the same.',
    lines: ['== Build', '== Hold = 1800', '== Race'],
  },
  {
    title: 'Sets',
    says: 'How many, how far, what, how hard. Metres, lengths or minutes.',
    lines: [
      '4 x 100 free',
      '8 x 50 back fast',
      '200 IM easy',
      '2 lengths sprint',
      '10 min choice',
      '200 swim, 200 pull, 200 kick',
    ],
  },
  {
    title: 'Rest and send-offs',
    says: 'A number is seconds; behind “on” a number under 10 is minutes. Alone on a line it is a pause for everybody.',
    lines: ['4 x 100 free, 15s rest', '4 x 100 free on 2:00', '8 x 50 free r15', 'rest 2 min', 'take a break'],
  },
  {
    title: 'Effort that changes',
    says: 'Inside each rep, or from one to the next.',
    lines: [
      '4 x 50 build',
      '3 x 200 negative split',
      '4 x 100 desc 1-4',
      '4 x 50 easy/sprint',
      '8 x 50 odd fast, even easy',
    ],
  },
  {
    title: 'Breathing, looking, rate',
    says: 'Looks fit the breath: with a breath every 3 strokes, look every 6 or 9.',
    lines: [
      '4 x 50 free, breathe every 3',
      '4 x 50 free, bilateral',
      '4 x 100 free, breathe 2, sight every 4',
      '4 x 50 free, rate 62',
    ],
  },
  {
    title: 'Drills and kit',
    says: 'By any usual spelling, with or without the word drill.',
    lines: [
      '4 x 50 catch up',
      '4 x 50 drill fingertip drag',
      '4 x 50 side kick with fins',
      '4 x 50 kick with board',
      '200 pull with paddles',
    ],
  },
  {
    title: 'Rounds',
    says: 'In brackets, on one line or on several.',
    lines: ['2 x (4 x 50 fast, 100 easy)', '3 x 4 x 50 free', '2 rounds of 200 free, 100 back'],
  },
  {
    title: 'Notes and totals',
    says: 'Behind two strokes comes a note. A total is checked, and the slip is named.',
    lines: ['4 x 50 free  // long and calm', 'Total 1800', '= 1800'],
  },
];
