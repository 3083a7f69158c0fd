import node from '@astrojs/node';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'astro/config';

const hosts = ['127.0.0.1', 'localhost', ...(process.env['ALLOWED_HOSTS'] ?? '').split(',').filter(Boolean)];

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'standalone' }),
  integrations: [react()],
  devToolbar: { enabled: false },
  security: {
    // The middleware checks the origin of unsafe calls itself, so that the answer is problem details.
    checkOrigin: false,
    allowedDomains: hosts.map((hostname) => ({ hostname })),
  },
  experimental: {
    csp: {
      directives: [
        "default-src 'self'",
        "img-src 'self' data:",
        "font-src 'self'",
        "connect-src 'self'",
        "worker-src 'self'",
        "object-src 'none'",
        "base-uri 'none'",
        "form-action 'self'",
      ],
      // Drawings are placed by style attributes; style elements still need their hash.
      styleDirective: { resources: ["'self'"] },
    },
  },
  vite: {
    plugins: [tailwindcss()],
    optimizeDeps: { exclude: ['highs'] },
    worker: { format: 'es' },
    ssr: { external: ['sequelize', 'pg', 'pino'] },
  },
});
