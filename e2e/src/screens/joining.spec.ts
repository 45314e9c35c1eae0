import type { Page } from 'puppeteer-core';
import { axeFindings } from '../lib/axe';
import { byText, clickText, fill, openTab, PHONE, settled, signIn, textOf } from '../lib/browser';
import { newestLink } from '../lib/mailbox';
import { type World, world } from '../lib/world';

const SCHOOL = 'Tern & Alder River School';
const OTHER = 'other@saltmarsh.example';

/** A circle asks: by a letter, by a link; whoever is asked says yes or no in a browser of his own. */
describe('joining a circle', () => {
  let at: World;
  let lead: Page;
  let other: Page;

  beforeAll(async () => {
    at = await world('joining');
    lead = at.page;
    ({ page: other } = await openTab(at.browser, PHONE));
  });
  afterAll(() => at?.end());

  const nameOfSchool = `section.circle`;

  it('goes by a letter, also for who makes his account after it', async () => {
    const email = 'ines@example.org';
    await at.open('/circle');
    await byText(lead, 'h2', SCHOOL);
    await settled(lead);
    await fill(lead, 'form.add input[type=email]', email);
    await clickText(lead, 'form.add button', 'Ask to join');
    await byText(lead, '.invited', email);
    const link = await newestLink(other, at.server.url, email);
    expect(link).toContain('/join#');
    await other.goto(link);
    await clickText(other, 'button', 'I am new here');
    await fill(other, 'input[name=name]', 'Ines Alder');
    await fill(other, 'input[name=email]', email);
    await fill(other, 'input[name=password]', 'wet hands first');
    await clickText(other, 'button', 'Make the account');
    await byText(other, 'h1', SCHOOL);
    await settled(other);
    expect(await axeFindings(other)).toEqual([]);
    await clickText(other, 'button', 'Join');
    await byText(other, nameOfSchool, SCHOOL);
    await other.goto('about:blank');
    await other.goto(link);
    await byText(other, 'main', 'answered or taken back');
  });

  it('goes by a link that is shown once, for one person', async () => {
    await at.open('/circle');
    await lead.reload();
    await byText(lead, 'h2', SCHOOL);
    await settled(lead);
    await clickText(lead, 'doceo-join-links button', 'Make a link');
    await lead.waitForSelector('doceo-join-links .address');
    const link = await textOf(lead, 'doceo-join-links .address');
    expect(await axeFindings(lead)).toEqual([]);
    const { page: aiko } = await openTab(at.browser);
    await signIn(aiko, at.server.url, OTHER);
    await aiko.goto(link);
    await byText(aiko, 'main', 'Maren Voss asks you to join as editor');
    await clickText(aiko, 'button', 'Decline');
    await byText(aiko, 'h1', 'Circle');
    expect(await textOf(aiko, 'main')).not.toContain(SCHOOL);
    await aiko.goto('about:blank');
    await aiko.goto(link);
    await clickText(aiko, 'button', 'Join');
    await byText(aiko, nameOfSchool, SCHOOL);
    // Somebody to whom it was passed on comes too late.
    const { page: third } = await openTab(at.browser);
    await signIn(third, at.server.url, 'fellow@ternalder.example');
    await third.goto(link);
    await byText(third, 'main', 'used already');
    await lead.reload();
    await byText(lead, '.members', 'Aiko Brandt');
  });
});
