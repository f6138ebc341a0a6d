import type { Page } from '@playwright/test';
import { dropFiles, makePage, makeSlides, takeIn, text } from './dekoro';
import { choosing, mulberry } from './random-site';
import type { Server } from './server';

/** Where the restless user is let loose; each has fields that are typed into. */
export const places = ['sheet', 'list', 'round', 'desk', 'arrangement', 'site'] as const;
export type Place = (typeof places)[number];
export type Act =
  | { kind: 'type'; place: Place; field: number; thing: number; words: string; fast: boolean }
  | { kind: 'key'; key: string; times: number }
  | { kind: 'reload' | 'back' | 'forward' | 'window' | 'drop' }
  | { kind: 'go'; place: Place };

const keys = ['Tab', 'Shift+Tab', 'Escape', 'ArrowDown', 'ArrowRight', 'Control+z', 'Control+Shift+z', 'Enter'];
const pictureFields = ['title', 'alt', 'caption', 'credit', 'keywords', 'folder'] as const;
const roundFields = ['title', 'alt', 'caption', 'credit'] as const;

/** So many acts in one place after the other, drawn from a number. */
export function actsFrom(seed: number, inEach: number): Act[] {
  const random = mulberry(seed);
  const { int } = choosing(random);
  let typed = 0;
  return places.flatMap((place) => [
    { kind: 'go', place } as Act,
    ...Array.from({ length: inEach }, (): Act => {
      const draw = random();
      if (draw < 0.5)
        return {
          kind: 'type',
          place,
          field: int(0, 5),
          thing: int(0, 2),
          words: `w${seed % 100}x${typed++}`,
          fast: random() < 0.5,
        };
      if (draw < 0.86)
        return { kind: 'key', key: keys[int(0, keys.length - 1)]!, times: random() < 0.2 ? int(2, 12) : 1 };
      if (draw < 0.9) return { kind: 'reload' };
      if (draw < 0.93) return { kind: 'back' };
      if (draw < 0.95) return { kind: 'forward' };
      if (draw < 0.96) return { kind: 'window' };
      if (draw < 0.98) return { kind: 'drop' };
      return { kind: 'go', place };
    }),
  ]);
}

type Scene = { pictures: string[]; pageId: string; set: { id: string; items: { id: string }[] } };

export async function scene(server: Server): Promise<Scene> {
  const files = await takeIn(server.url, ['line-reel.jpg', 'two-lanterns.jpg', 'bridle-ring.jpg']);
  const pictures = files.map((file) => file.id!);
  const made = await makeSlides(server.url, pictures, 'slider', {});
  const pageId = await makePage(server.url, 'Home', [text('Begins here.'), text('Ends here.')]);
  return { pictures, pageId, set: { id: made.id, items: made.values.items } };
}

const json = async (url: string) => (await (await fetch(url)).json()) as Record<string, unknown>;

/** One user at one window, who knows what was typed and where. */
export class Restless {
  /** What each field held when it was last seen with the caret in it, by the address of its value. */
  private readonly typed = new Map<string, string>();
  private windows = 0;
  /** Words written on the page of the desk, as long as they are not taken back. */
  private desk: string | null = null;

  constructor(
    private readonly page: Page,
    private readonly url: string,
    private readonly scene: Scene,
  ) {
    // Asked whether to leave, a restless person leaves.
    page.on('dialog', (dialog) => void dialog.accept().catch(() => {}));
  }

  async act(act: Act) {
    const { page } = this;
    if (act.kind === 'go') await this.go(act.place);
    else if (act.kind === 'type') await this.type(act);
    else if (act.kind === 'key') await this.press(act.key, act.times);
    else if (act.kind === 'reload') await page.reload();
    else if (act.kind === 'back') await page.goBack().catch(() => null);
    else if (act.kind === 'forward') await page.goForward().catch(() => null);
    else if (act.kind === 'drop') await this.drop();
    else await this.elsewhere();
    await this.note();
  }

  /** A file let fall wherever one is: it goes into the library, into the page or nowhere, and takes no words along. */
  private async drop() {
    const onto = this.page.getByRole('main').first();
    if ((await onto.count()) > 0) await dropFiles(this.page, onto, ['diamond-kite.jpg']).catch(() => null);
  }

  /** A second window is opened, words are typed into a field that nothing here holds, and it is closed again. */
  private async elsewhere() {
    const other = await this.page.context().newPage();
    other.on('dialog', (dialog) => void dialog.accept().catch(() => {}));
    const id = this.scene.pictures[2]!;
    await other.goto(`${this.url}/library?at=${id}`).catch(() => null);
    const field = other.locator('#word-description');
    const words = `elsewhere ${this.windows++}`;
    if (
      await field.click({ timeout: 4_000 }).then(
        () => true,
        () => false,
      )
    ) {
      await other.keyboard.press('Control+A');
      await other.keyboard.type(words);
      this.typed.set(`picture|${id}|description`, words);
    }
    await other.close({ runBeforeUnload: true });
  }

  private async press(key: string, times: number) {
    for (let i = 0; i < times; i++) await this.page.keyboard.press(key);
    if (key.endsWith('+z')) await this.lookAround();
  }

  /** Undo may take back what was typed elsewhere: what is seen now is what holds; of what is not seen nothing is known. */
  private async lookAround() {
    const seen = await this.page.evaluate(fieldsSeen, null).catch(() => []);
    const shown = new Map(seen.flatMap((one) => (addressOf(one) ? [[addressOf(one)!, one.value.trim()]] : [])));
    for (const where of [...this.typed.keys()])
      if (shown.has(where)) this.typed.set(where, shown.get(where)!);
      else if (!where.startsWith('picture')) this.typed.delete(where);
  }

  private async go(place: Place) {
    const { pictures, pageId, set } = this.scene;
    const path = {
      sheet: `/library?at=${pictures[0]}`,
      list: '/library?list=1',
      round: '/library',
      desk: `/pages/${pageId}`,
      arrangement: `/arrangements/${set.id}`,
      site: '/site',
    }[place];
    if (!this.page.url().endsWith(path)) await this.page.goto(this.url + path);
    const { page } = this;
    if (place === 'desk') await page.frameLocator('iframe[title^="The page at"]').locator('.ProseMirror').waitFor();
    if (place === 'round' && (await page.getByRole('dialog').count()) === 0)
      await page
        .getByRole('button', { name: 'Words round' })
        .click({ timeout: 2_000 })
        .catch(() => null);
  }

  private async type(act: Extract<Act, { kind: 'type' }>) {
    const { page } = this;
    await this.go(act.place);
    if (act.place === 'desk' && act.field < 3) {
      const frame = page.frameLocator('iframe[title^="The page at"]');
      await frame.getByText(act.field === 0 ? 'Begins here.' : 'Ends here.').click();
      await page.keyboard.press('End');
      await page.keyboard.type(` ${act.words}`, { delay: act.fast ? 0 : 15 });
      return;
    }
    const field = await this.fieldOf(act);
    // A dialog that closes just now, a tile that is not drawn yet: a person tries elsewhere.
    if (
      !(await field.click({ timeout: 2_000 }).then(
        () => true,
        () => false,
      ))
    )
      return;
    await page.keyboard.press('Control+A');
    await page.keyboard.type(act.words, { delay: act.fast ? 0 : 15 });
  }

  private async fieldOf({ place, field, thing }: Extract<Act, { kind: 'type' }>) {
    const { page } = this;
    const word = pictureFields[field % pictureFields.length]!;
    const id = this.scene.pictures[thing]!;
    if (place === 'sheet') {
      await page.locator(`#picture-${id}`).click();
      return page.locator(`#word-${word}`);
    }
    if (place === 'list') return page.locator(`#cell-${word}-${id}`);
    if (place === 'round') return page.locator(`#round-${roundFields[field % roundFields.length]}`);
    if (place === 'desk') return page.locator(field === 3 ? '#page-title' : '#page-summary');
    if (place === 'site') return page.locator('#site-name');
    const tile = page.locator(`[data-picture="${this.scene.set.items[thing]!.id}"]`);
    // Where a way back is still under way there is no tile: it is tried elsewhere.
    const pressed = await tile.getAttribute('aria-pressed', { timeout: 3_000 }).catch(() => 'true');
    if (pressed !== 'true') await tile.click();
    const sheet = page.getByRole('complementary', { name: 'Picture' });
    return sheet.getByLabel(['Alt text', 'Caption', 'Title over it', 'Words over it'][field % 4]!, { exact: true });
  }

  /** What the field that holds the caret shows now is what its user believes to be kept. */
  private async note() {
    const { page } = this;
    const [seen] = await page.evaluate(fieldsSeen, ':focus').catch(() => []);
    const where = seen && addressOf(seen);
    if (where) this.typed.set(where, seen.value.trim());
    const frame = page.frameLocator('iframe[title^="The page at"]').locator('.ProseMirror');
    if (page.url().includes('/pages/') && (await frame.count()) > 0)
      this.desk =
        (
          await frame
            .locator('> p')
            .allInnerTexts()
            .catch(() => null)
        )
          ?.join(' ')
          .trim() || this.desk;
  }

  /** What is not in the database of what was typed, though nobody was told; empty where all is. */
  async lost(): Promise<string[]> {
    const lost: string[] = [];
    const said = (await this.page.getByRole('alert').allInnerTexts()).join(' ');
    for (const [where, value] of this.typed) {
      const kept = (await this.keptAt(where)).trim();
      // A title and a name must not be empty: that is said, and what stood there stays.
      if (kept !== value && value !== '' && !said.includes(value))
        lost.push(`${where}: typed “${value}”, kept “${kept}”`);
    }
    const draft = (await json(`${this.url}/api/pages/${this.scene.pageId}/draft`)) as {
      document: { content: { content?: { text?: string }[] }[] };
    };
    const onPage = draft.document.content
      .map((piece) => (piece.content ?? []).map((run) => run.text ?? '').join(''))
      .filter(Boolean)
      .join(' ');
    const plain = (words: string) => words.replace(/\s+/g, ' ').trim();
    if (this.desk !== null && plain(onPage) !== plain(this.desk))
      lost.push(`page: shown “${this.desk}”, kept “${onPage}”`);
    return lost;
  }

  private async keptAt(where: string): Promise<string> {
    const [kind, id, field] = where.split('|') as [string, string, string];
    if (kind === 'picture')
      return ((await json(`${this.url}/api/files/${id}`)) as { file: { words: Record<string, string> } }).file.words[
        field
      ]!;
    if (kind === 'draft') return String((await json(`${this.url}/api/pages/${this.scene.pageId}/draft`))[field]);
    if (kind === 'site')
      return ((await json(`${this.url}/api/site/style`)) as { values: Record<string, string> }).values[field]!;
    const { values } = (await json(`${this.url}/api/arrangements/${this.scene.set.id}`)) as {
      values: { name: string; items: Record<string, string>[] };
    };
    if (kind === 'set') return values.name;
    return values.items.find((item) => item.id === id)?.[field] ?? '';
  }
}

/** Fields of words in the window with what tells them apart; in the page, where nothing of this file is. */
function fieldsSeen(which: string | null) {
  const round = document.querySelector<HTMLImageElement>('[role=dialog] img')?.src;
  const item = document.querySelector('[data-picture][aria-pressed=true]')?.getAttribute('data-picture');
  const words = 'input:not([type=number], [type=date], [type=checkbox]), textarea';
  return [...document.querySelectorAll<HTMLInputElement>(words)]
    .filter((field) => which === null || field.matches(which))
    .map((field) => ({
      id: field.id,
      label: field.labels?.[0]?.textContent?.trim() ?? '',
      value: field.value,
      round,
      item,
      path: location.href,
    }));
}

type Seen = { id: string; label: string; item?: string | null; round?: string; path: string };
const itemFields: Record<string, string> = {
  'Alt text': 'alt',
  Caption: 'caption',
  'Title over it': 'title',
  'Words over it': 'text',
};

/** Which value of the database a field shows; null for fields that keep nothing, as a search. */
function addressOf({ id, label, item, round, path }: Seen): string | null {
  const cell = /^cell-(\w+)-(\w+)$/.exec(id);
  if (cell) return `picture|${cell[2]}|${cell[1]}`;
  const word = /^word-(\w+)$/.exec(id);
  const chosen = new URL(path).searchParams.get('at');
  if (word && chosen) return `picture|${chosen}|${word[1]}`;
  const inRound = /^round-(\w+)$/.exec(id);
  const pictured = /proof\/(\w+)\./.exec(round ?? '')?.[1];
  if (inRound && pictured) return `picture|${pictured}|${inRound[1]}`;
  if (id === 'page-title') return 'draft||title';
  if (id === 'page-summary') return 'draft||summary';
  if (id === 'site-name') return 'site||name';
  if (!path.includes('/arrangements/')) return null;
  if (label === 'Name') return 'set||name';
  return item && itemFields[label] ? `item|${item}|${itemFields[label]}` : null;
}
