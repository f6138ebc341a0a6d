import { expect, makePage, passesAxe, test, text } from './dekoro';

async function makePost(url: string, title: string) {
  const headers = { 'Content-Type': 'application/json' };
  const answer = await fetch(`${url}/api/pages`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ kind: 'post', title }),
  });
  if (!answer.ok) throw new Error(await answer.text());
}

test('A post has a day that visitors read, the newest is put first by a press, and the sheet says what else changes', async ({
  page,
  own,
}) => {
  await makePage(own.url, 'Home', [text('Welcome.')]);
  await makePage(own.url, 'Old hours', [text('Open at ten.')]);
  for (const title of ['First flight', 'Lantern night']) await makePost(own.url, title);
  await page.goto(own.url);
  const [first, second] = ['First flight', 'Lantern night'].map((title) =>
    page.getByRole('article', { name: title }).getByLabel(`Date of ${title}`),
  );
  // A new post is of today.
  await expect(first!).toHaveValue(/^\d{4}-\d\d-\d\d$/);
  await first!.fill('2026-03-09');
  await second!.fill('2026-11-16');
  await expect(second!).toHaveValue('2026-11-16');
  await page.getByRole('button', { name: 'Newest first' }).click();
  const titles = page.getByRole('region', { name: 'Posts' }).getByRole('heading', { level: 3 });
  await expect(titles).toHaveText(['Lantern night', 'First flight']);

  const sheet = page.getByRole('dialog', { name: 'Publish' });
  const publish = async () => {
    await sheet.getByRole('button', { name: 'Publish now' }).click();
    await expect(sheet.getByRole('link', { name: 'Open the public site' })).toBeVisible();
    await sheet.getByRole('button', { name: 'Done' }).click();
  };
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  await publish();
  const visit = await page.context().newPage();
  await visit.goto(`${own.url}/live/`);
  await expect(visit.locator('.news li')).toHaveText([
    /Lantern night · 16 November 2026/,
    /First flight · 9 March 2026/,
  ]);
  await visit.getByRole('link', { name: 'First flight' }).click();
  await expect(visit.locator('main time')).toHaveText('9 March 2026');
  expect(await visit.locator('main time').getAttribute('datetime')).toBe('2026-03-09');

  // Another day, and a page that goes: both are told before visitors meet them.
  await first!.fill('2026-03-10');
  await page.getByRole('button', { name: 'More for Old hours' }).click();
  await page.getByRole('menuitem', { name: 'Remove' }).click();
  await expect(page.getByRole('article', { name: 'Old hours' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  await expect(sheet).toContainText('The menu of every page changes: “Old hours” goes.');
  await expect(sheet).toContainText('The list of posts on the front page changes: “First flight” gets another date.');
  await publish();
  await visit.reload();
  await expect(visit.locator('main time')).toHaveText('10 March 2026');
  await expect(visit.getByRole('navigation')).toHaveCount(0);
});

test('Of two hundred posts only those in view are drawn; the last is found by scrolling and moved to the beginning', async ({
  page,
  own,
}) => {
  for (let i = 0; i < 200; i++) await makePost(own.url, `News ${i}`);
  await page.goto(own.url);
  const posts = page.getByRole('region', { name: 'Posts' });
  await expect(posts.getByRole('article', { name: 'News 0', exact: true })).toBeVisible();
  expect(await page.getByRole('article').count()).toBeLessThan(40);
  const box = (await page.getByRole('main').boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  const last = posts.getByRole('article', { name: 'News 199', exact: true });
  for (let turns = 0; turns < 200 && !(await last.isVisible()); turns++) await page.mouse.wheel(0, 2500);
  await expect(last).toBeVisible();
  expect(await page.getByRole('article').count()).toBeLessThan(40);
  await last.getByRole('button', { name: 'More for News 199' }).click();
  await page.getByRole('menuitem', { name: 'Move to the beginning' }).click();
  await expect
    .poll(async () => (await (await fetch(`${own.url}/api/pages?kind=post&take=1`)).json())[0].title)
    .toBe('News 199');
  const first = posts.getByRole('article', { name: 'News 199', exact: true });
  for (let turns = 0; turns < 60 && !(await first.isVisible()); turns++) await page.mouse.wheel(0, -3000);
  await expect(posts.getByRole('article').first()).toHaveAccessibleName('News 199');
  await passesAxe(page, 'two hundred posts');
});
