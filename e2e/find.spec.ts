import { expect, test } from './journey.ts';

test('a line, a machine and an action are found from anywhere by one key, and gone to by Enter', async ({
  page,
}) => {
  await page.goto('/floor');
  await expect(page.getByText('Ready to start')).toBeVisible();
  const box = page.getByRole('dialog', { name: 'Find anything' });
  const find = async (words: string, option: RegExp): Promise<void> => {
    await page.keyboard.press('/');
    await expect(box).toBeVisible();
    await page.keyboard.type(words);
    // the first that is found is the one that Enter takes
    await expect(box.locator('.Mui-focused[role=option]')).toHaveText(option);
    await page.keyboard.press('Enter');
    await expect(box).toBeHidden();
  };
  await find('lantern parade', /Lantern Parade/);
  await expect(page.getByRole('region', { name: /^Order K-/ })).toContainText('Lantern Parade');
  await find('press a', /Press A/);
  await expect(page).toHaveURL(/\/shop\/machines\//);
  // what is typed into a field opens nothing
  await page.goto('/orders/new');
  await page.getByLabel('Note').fill('');
  await page.getByLabel('Note').press('/');
  await expect(page.getByLabel('Note')).toHaveValue('/');
  await expect(box).toBeHidden();
});

test('the sheet of keys tells what works here, and is left by Escape', async ({ page }) => {
  await page.goto('/orders');
  await expect(page.getByRole('grid')).toBeVisible();
  await page.keyboard.press('?');
  const sheet = page.getByRole('dialog');
  await expect(sheet).toContainText('new order', { ignoreCase: true });
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
  await page.goto('/floor');
  await expect(page.getByText('Ready to start')).toBeVisible();
  await page.keyboard.press('?');
  await expect(sheet).toContainText('Spoiled', { ignoreCase: true });
});
