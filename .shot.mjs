import { Builder, By } from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome.js';
import fs from 'node:fs';
const [base, outDir, ...specs] = process.argv.slice(2);
const opt = new chrome.Options();
for (const a of ['--headless=new','--no-sandbox','--disable-gpu','--disable-quic','--no-first-run','--disable-background-networking','--disable-component-update','--disable-sync',`--user-data-dir=/tmp/prof-${Date.now()}`]) opt.addArguments(a);
opt.setChromeBinaryPath('/usr/bin/chromium');
const d = await new Builder().forBrowser('chrome').setChromeOptions(opt).setChromeService(new chrome.ServiceBuilder('/usr/bin/chromedriver')).build();
for (const s of specs) {
  const [path, name, w = '1280', h = '800', theme = 'day', full] = s.split('|');
  await d.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', { width: +w, height: +h, deviceScaleFactor: 1, mobile: false });
  await d.get(base + '/health'); await d.manage().addCookie({ name: 'theme', value: theme });
  await d.get(base + path);
  await d.wait(async () => (await d.executeScript('return document.readyState')) === 'complete', 10000);
  await new Promise((r) => setTimeout(r, 900));
  if (full) { const H = await d.executeScript('return Math.min(document.documentElement.scrollHeight, 3200)'); await d.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', { width: +w, height: +H, deviceScaleFactor: 1, mobile: false }); await new Promise((r) => setTimeout(r, 500)); }
  fs.writeFileSync(`${outDir}/${name}.png`, await d.takeScreenshot(), 'base64');
}
await d.quit();
