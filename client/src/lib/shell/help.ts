/** What a place is for and how its parts lie: left, top, width and height in hundredths, each with its name. */
export type Help = {
  name: string;
  at: RegExp;
  sentences: string[];
  parts: [x: number, y: number, width: number, height: number, name: string][];
};

/** The first that answers to an address is the help of its place. */
export const helps: Help[] = [
  {
    name: 'The desk',
    at: /^\/pages\/[^/]+$/,
    sentences: [
      'The page in the middle is the real one: click into its words and type; click a picture to choose it.',
      'Between two pieces a line with a plus shows what can be added there. The library at the foot (L) gives pictures.',
      'At the left stands what can be set for what is chosen; at the right the same page on a phone, as you work.',
    ],
    parts: [
      [0, 0, 24, 78, 'sheet'],
      [26, 0, 48, 78, 'the page'],
      [76, 0, 24, 78, 'phone'],
      [0, 82, 100, 18, 'library (L)'],
    ],
  },
  {
    name: 'Banners',
    at: /^\/banners/,
    sentences: [
      'Each row is a banner with the days it runs. The first row that runs on a day wins; the foot shows what visitors see.',
      'Drag the ends of a bar to change its days, drag a row to change which wins; arrow keys on its name do both. Click a day to see it.',
      'Below stands the top of the page on that day, on desktop and phone; at the right what can be set of the banner.',
    ],
    parts: [
      [0, 0, 100, 40, 'the year'],
      [0, 44, 50, 56, 'desktop'],
      [52, 44, 20, 56, 'phone'],
      [74, 44, 26, 56, 'banner'],
    ],
  },
  {
    name: 'Proofs and history',
    at: /^\/(pages|arrangements|banners)\/[^/]+\/(proofs|history)$/,
    sentences: [
      'Proofs show the page at all widths side by side. History shows every state it was kept in, beside how it is now.',
      'Any state can be had back; how it stands now stays among the states.',
    ],
    parts: [
      [0, 0, 22, 100, 'states'],
      [24, 0, 37, 100, 'then'],
      [63, 0, 37, 100, 'now'],
    ],
  },
  {
    name: 'From elsewhere',
    at: /^\/library\/(in|archive)/,
    sentences: [
      'A mail, a web page, an archive: all of it is shown first, and nothing comes in before you say so.',
      'The table asks for each picture’s title, alt text and credit. What you type there waits for you.',
    ],
    parts: [
      [0, 0, 39, 54, 'as it came'],
      [41, 0, 59, 54, 'the page it makes'],
      [0, 58, 100, 42, 'its pictures and their words'],
    ],
  },
  {
    name: 'The picture room',
    at: /^\/library\/room/,
    sentences: [
      'One picture, with every cut it is used in at the right: they follow while you move the box or a scale.',
      'The original never changes. What you do is a version, and all places show the version in use.',
    ],
    parts: [
      [0, 0, 70, 74, 'the picture'],
      [72, 0, 28, 100, 'its cuts'],
      [0, 78, 70, 22, 'turn, light, colour'],
    ],
  },
  {
    name: 'The library',
    at: /^\/library/,
    sentences: [
      'Drop pictures anywhere, paste them, or use Add. Click one for its words; they keep themselves as you type.',
      'The search line takes words and filters, and the buttons below it are the same filters.',
      'Look through shows how each picture would stand in a place, the best first.',
    ],
    parts: [
      [0, 0, 100, 14, 'search and filters'],
      [0, 18, 72, 82, 'pictures'],
      [74, 18, 26, 82, 'its words'],
    ],
  },
  {
    name: 'An arrangement',
    at: /^\/arrangements/,
    sentences: [
      'A gallery, slider or carousel: its pictures in their order at the foot, how it looks and moves at the left.',
      'It may stand on several pages; what changes here changes there.',
    ],
    parts: [
      [0, 0, 24, 100, 'its look'],
      [26, 0, 48, 68, 'how it stands'],
      [26, 72, 48, 28, 'running order'],
      [76, 0, 24, 100, 'picture'],
    ],
  },
  {
    name: 'The site',
    at: /^\/site/,
    sentences: [
      'What holds for every page: its name, widths, type, colours and shapes. Each change shows on the right at once.',
    ],
    parts: [
      [0, 0, 28, 100, 'settings'],
      [30, 0, 70, 100, 'a page with them'],
    ],
  },
  {
    name: 'Pages',
    at: /^\/$/,
    sentences: [
      'Every page with its first screen and what is to be mended. Open one to work on it; drag them into the menu’s order.',
      'Nothing is public before you press Publish.',
    ],
    parts: [
      [0, 0, 30, 80, 'a page'],
      [35, 0, 30, 80, 'a page'],
      [70, 0, 30, 80, 'a page'],
    ],
  },
];
