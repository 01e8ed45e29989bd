import { join } from 'node:path';
import { build } from 'esbuild';
import { expect, ROOT, test } from './boathouse.ts';

/** Every preset, manner and form on every platform, as the app's own painter draws it. `npm run gallery` takes it as it is now. */
test('nothing is drawn other than it was', async ({ page }) => {
  const { outputFiles } = await build({
    entryPoints: [join(ROOT, 'scripts/gallery/gallery.ts')],
    bundle: true,
    write: false,
    format: 'iife',
  });
  await page.setContent('<!doctype html><html lang="en"><title>Gallery</title><body></body></html>');
  await page.addScriptTag({ content: outputFiles[0]?.text ?? '' });
  await page.setViewportSize({ width: 1150, height: 800 });
  await expect(page.locator('body')).toHaveAttribute('data-drawn', /^[1-9]\d+$/);
  // The edges of a line may differ from one version of the browser to the next; a line that is elsewhere is more than this.
  await expect(page).toHaveScreenshot('gallery.png', { fullPage: true, maxDiffPixels: 200, threshold: 0.12 });
});
