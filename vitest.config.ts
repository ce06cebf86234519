import { defineConfig } from 'vitest/config';

/** Plain functions of the browser's part, without a page. */
export default defineConfig({
  test: {
    include: ['tests/js/**/*.test.ts'],
    reporters: ['default', ['junit', { outputFile: '.bowline/vitest.xml' }]],
  },
});
