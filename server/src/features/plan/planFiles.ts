import type { PlanComing } from '@saltflat/contract';
import type { Paper, PaperWriting } from '../../pdf/index.ts';
import { dayPaper } from './dayPaper.ts';
import type { DayPaper } from './dayPaper.ts';
import type { FollowedPlan } from './followedPlan.ts';
import { machineCalendar, personCalendar } from './planCalendars.ts';
import { planComing } from './planComing.ts';

interface Needs {
  plan: FollowedPlan;
  now: () => number;
  writeDay: (day: DayPaper, writing: PaperWriting, paper: Paper) => Promise<Buffer>;
}

/** The plan that is followed, to be taken elsewhere. */
export class PlanFiles {
  constructor(private readonly needs: Needs) {}

  async coming(): Promise<PlanComing> {
    return planComing(await this.needs.plan.read(), this.needs.now());
  }

  async machine(id: string): Promise<string> {
    return machineCalendar(await this.needs.plan.read(), id);
  }

  async person(name: string): Promise<string> {
    return personCalendar(await this.needs.plan.read(), name);
  }

  /** A day on paper, a page or more for each station. */
  async day(date: string, paper: Paper): Promise<{ name: string; bytes: Buffer }> {
    const followed = await this.needs.plan.read();
    const bytes = await this.needs.writeDay(dayPaper(followed, date), followed.writing, paper);
    return { name: `plan-${date}.pdf`, bytes };
  }
}
