import type { Page } from 'puppeteer-core';
import { axeFindings } from '../lib/axe';
import { byText, clickText, fill, openTab, settled, signIn, textOf } from '../lib/browser';
import { ask } from '../lib/device';
import { type World, world } from '../lib/world';

/** A record is shown to a fellow for a time, then goes over to him, in two browsers. */
describe('a student’s record between instructors', () => {
  let at: World;
  let lead: Page;
  let fellow: Page;
  let noor: string;

  beforeAll(async () => {
    at = await world('handing_over');
    lead = at.page;
    ({ page: fellow } = await openTab(at.browser));
    await signIn(fellow, at.server.url, 'fellow@ternalder.example');
    const students = await ask<{ id: string; student: { name: string } }[]>(lead, '/api/students');
    noor = students.find(({ student }) => student.name === 'Noor Hadley')?.id ?? '';
  });
  afterAll(() => at?.end());

  const openRecord = async (page: Page): Promise<void> => {
    await page.goto(`${at.server.url}/record/${noor}`);
    await page.waitForSelector('doceo-rail');
    await settled(page);
  };

  it('is shown to a fellow by name and for a week, and taken back', async () => {
    await openRecord(lead);
    await byText(lead, 'doceo-student-access', /Let somebody see it|End it/);
    await settled(lead);
    const given = await textOf(lead, 'doceo-student-access ul');
    if (given.includes('Tobias Lind')) await clickText(lead, 'doceo-student-access li button', 'End it');
    await byText(lead, 'doceo-student-access ul', 'Nobody but you');
    await openRecord(fellow);
    expect(await textOf(fellow, 'main')).not.toContain('Noor Hadley');
    await clickText(lead, 'doceo-student-access button', 'Let them see it');
    await byText(lead, 'doceo-student-access ul', 'Tobias Lind');
    expect(await axeFindings(lead)).toEqual([]);
    await openRecord(fellow);
    await byText(fellow, 'main', 'Noor Hadley');
    await openRecord(lead);
    await clickText(lead, 'summary', 'Who looked');
    await byText(lead, 'doceo-student-privacy', 'Tobias Lind, record');
    await clickText(lead, 'doceo-student-access li button', 'End it');
    await byText(lead, 'doceo-student-access ul', 'Nobody but you');
    await openRecord(fellow);
    expect(await textOf(fellow, 'main')).not.toContain('Noor Hadley');
  });

  it('goes over with who agreed to it, when it is taken', async () => {
    await openRecord(lead);
    await clickText(lead, 'doceo-student-access button', /Hand the student over/);
    await fill(lead, 'input[name=consent-by]', 'Noor Hadley');
    await clickText(lead, 'doceo-student-access button', 'Offer it');
    await byText(lead, 'doceo-student-access', 'is offered to Tobias Lind');
    await fellow.goto(`${at.server.url}/record`);
    await byText(fellow, 'doceo-incoming-students', 'hands Noor Hadley over to you');
    await settled(fellow);
    expect(await axeFindings(fellow)).toEqual([]);
    await clickText(fellow, 'button', 'Take over');
    await byText(fellow, 'main ul', 'Noor Hadley');
    await openRecord(fellow);
    await byText(fellow, 'doceo-student-access', 'Came from Maren Voss, agreed by Noor Hadley');
    await lead.goto(`${at.server.url}/record`);
    await byText(lead, 'h1', 'Students');
    await settled(lead);
    expect(await textOf(lead, 'main')).not.toContain('Noor Hadley');
  });
});
