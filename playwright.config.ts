import { defineConfig } from '@playwright/test';
import { launchOptions } from './tests/browser/chromium.mjs';

const port = process.env.BOWLINE_TEST_PORT ?? '8199';

export default defineConfig({
  testDir: 'tests/browser',
  outputDir: '.bowline/test-results',
  // The scene is drawn in software where there is no graphics card.
  timeout: 150_000,
  // A worker of PHP's own server that finds a body for another test keeps its other connections waiting.
  expect: { timeout: 45_000 },
  workers: 2,
  reporter: [['list'], ['junit', { outputFile: '.bowline/playwright.xml' }]],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    // Without smoothed edges, and with pages put together by the processor: drawing takes a third, and no test looks at
    // a pixel. Scripts are compiled to plain machine code at once, and optimised when they have run ten times as often
    // as by default: a page lives for a few seconds, in which optimising was an eighth of what it cost.
    launchOptions: {
      ...launchOptions,
      args: [
        ...launchOptions.args,
        '--webgl-antialiasing-mode=none',
        '--disable-gpu-compositing',
        '--js-flags=--always-sparkplug,--invocation-count-for-maglev=4000,--invocation-count-for-turbofan=30000',
      ],
    },
    permissions: ['clipboard-read', 'clipboard-write'],
    contextOptions: { reducedMotion: 'reduce' },
  },
  webServer: {
    command: `tests/browser/server ${port}`,
    url: `http://127.0.0.1:${port}/api/jobs`,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5000 },
  },
});
