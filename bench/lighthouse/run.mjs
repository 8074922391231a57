// Signs in to a running demo and has Lighthouse look at some of its pages: node run.mjs ADDRESS EMAIL PASSWORD PATH...
import { launch } from 'chrome-launcher';
import lighthouse, { desktopConfig } from 'lighthouse';
import puppeteer from 'puppeteer-core';

const [address, email, password, ...paths] = process.argv.slice(2);
const CATEGORIES = ['performance', 'accessibility', 'best-practices'];
const FLAGS = [
  '--headless=new',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--no-first-run',
];

/** Signs in within the browser itself, whose cookies stay; what is looked at later is the real page. */
async function signIn(port) {
  const browser = await puppeteer.connect({ browserURL: `http://localhost:${port}`, defaultViewport: null });
  const page = await browser.newPage();
  await page.goto(address);
  await page.waitForSelector('input[type=password]');
  await page.type('input[autocomplete=username]', email);
  await page.type('input[type=password]', password);
  await page.keyboard.press('Enter');
  await page.waitForFunction(() => /\/(next|household)$/.test(location.pathname));
  await page.close();
  await browser.disconnect();
}

const browser = await launch({ chromePath: '/usr/bin/chromium', chromeFlags: FLAGS });
try {
  await signIn(browser.port);
  for (const path of paths) {
    const options = {
      port: browser.port,
      onlyCategories: CATEGORIES,
      disableStorageReset: true,
      maxWaitForLoad: 45_000,
    };
    const { lhr } = await lighthouse(address + path, options, desktopConfig);
    const scores = CATEGORIES.map((name) => Math.round((lhr.categories[name]?.score ?? 0) * 100));
    console.log(`${path} ${scores.join(' ')}`);
    for (const name of CATEGORIES.slice(1)) {
      for (const ref of lhr.categories[name]?.auditRefs ?? []) {
        const audit = lhr.audits[ref.id];
        if (ref.weight > 0 && audit.score !== null && audit.score < 1) console.error(`  ${audit.title}`);
      }
    }
  }
} finally {
  await browser.kill();
}
