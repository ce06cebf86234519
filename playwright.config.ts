import { defineConfig } from '@playwright/test';

const port = process.env.BOWLINE_TEST_PORT ?? '8199';

export default defineConfig({
  testDir: 'tests/browser',
  outputDir: '.bowline/test-results',
  // The scene is drawn in software where there is no graphics card.
  timeout: 90_000,
  expect: { timeout: 20_000 },
  workers: 1,
  reporter: [['list'], ['junit', { outputFile: '.bowline/playwright.xml' }]],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--use-angle=swiftshader',
        '--enable-unsafe-swiftshader',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
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
