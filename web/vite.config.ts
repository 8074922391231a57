import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { viteStaticCopy } from 'vite-plugin-static-copy';

/** The page's policy lets no library write its styles into the page: those of the notices are in ours (`styles.css`). */
const stylesOfNotices: Plugin = {
  name: 'styles-of-notices',
  transform(code, id) {
    if (!id.includes('/sonner/dist/index.mjs')) return null;
    const without = code.replace(/^__insertCSS\(".*"\);$/m, '');
    if (without === code) throw new Error('sonner writes its styles in another way; look at vite.config.ts');
    return { code: without, map: null };
  },
};

export default defineConfig({
  plugins: [
    stylesOfNotices,
    react(),
    tailwindcss(),
    viteStaticCopy({
      targets: ['standard_fonts', 'cmaps', 'iccs', 'wasm'].map((folder) => ({
        src: `node_modules/pdfjs-dist/${folder}/*`,
        dest: `pdf/${folder}`,
      })),
    }),
  ],
  build: {
    outDir: 'target/classes/static',
    emptyOutDir: true,
    chunkSizeWarningLimit: 800,
  },
  server: {
    proxy: { '/api': 'http://localhost:8080' },
  },
});
