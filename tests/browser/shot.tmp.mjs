import { chromium } from '@playwright/test';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const p = await b.newPage({ viewport: { width: 1280, height: 800 } });
p.on('console', (m) => console.log('console', m.text())); p.on('pageerror', (e) => console.log('error', e.message));
const { default: run } = await import(process.argv[2]);
await run(p, 'http://127.0.0.1:5399'); await b.close();
