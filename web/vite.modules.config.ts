import { defineConfig } from 'vite';

/** The modules that are tested by themselves, beside the interface and not in it. */
export default defineConfig({
  publicDir: false,
  build: {
    outDir: 'target/modules',
    emptyOutDir: true,
    lib: { entry: 'src/testing/modules.ts', name: 'navlo', formats: ['iife'], fileName: () => 'modules.js' },
  },
  logLevel: 'error',
});
