import { Builder, By } from 'selenium-webdriver';
import { Options, ServiceBuilder } from 'selenium-webdriver/chrome.js';
import { writeFileSync, mkdtempSync } from 'node:fs';
const base='http://127.0.0.1:5199';
const o=new Options(); o.setChromeBinaryPath('/usr/bin/chromium');
o.addArguments('--headless=new','--no-sandbox','--disable-gpu','--disable-quic','--no-first-run','--hide-scrollbars','--user-data-dir='+mkdtempSync('/tmp/shot-'));
const d=await new Builder().forBrowser('chrome').setChromeOptions(o).setChromeService(new ServiceBuilder('/usr/bin/chromedriver')).build();
const shots=JSON.parse(process.argv[2]);
for(const s of shots){
  await d.sendDevToolsCommand('Emulation.setDeviceMetricsOverride',{width:s.w||1280,height:s.h||800,deviceScaleFactor:1,mobile:false});
  await d.get(base+s.path);
  await d.wait(()=>d.executeScript('return document.documentElement.dataset.alive==="yes"'),15000);
  if(s.theme) await d.executeScript(`document.documentElement.dataset.theme='${s.theme}'`);
  for(const c of s.click||[]){ const e=await d.wait(async()=>{const l=await d.findElements(By.xpath(c));for(const x of l)if(await x.isDisplayed())return x;return null},10000); await e.click(); await new Promise(r=>setTimeout(r,500)); }
  await new Promise(r=>setTimeout(r,s.wait||900));
  if(s.scroll) await d.executeScript(`window.scrollTo(0,${s.scroll})`);
  await new Promise(r=>setTimeout(r,300));
  writeFileSync(s.out,await d.takeScreenshot(),'base64');
  const over=await d.executeScript('return document.documentElement.scrollWidth'); console.log(s.out,over);
}
await d.quit();
