import type { Schemas } from '../api/client';
import { say } from '../words/say';

/** Of the steps that every sheet has; {@link useTerms} knows those that were added too. */
export const STEP_WORDS: Record<string, string> = {
    prepare: say('step.prepare'),
    heat_and_soak: say('step.heat_and_soak'),
    print: say('step.print'),
    first_layer: say('step.first_layer'),
    hot_pull: say('step.hot_pull'),
    cool: say('step.cool'),
    cold_pull: say('step.cold_pull'),
    inspect: say('step.inspect'),
    wash: say('step.wash'),
    cure: say('step.cure'),
    clean: say('step.clean'),
};

export const OUTCOME_WORDS: Record<Schemas['Outcome'], string> = {
    held: say('outcome.held'),
    lifted: say('outcome.lifted'),
    came_off: say('outcome.came_off'),
    plate_shifted: say('outcome.plate_shifted'),
};

export const PHOTO_WORDS: Record<Schemas['PhotoShows'], string> = {
    underside: say('ui.underside'),
    lift: say('ui.lift'),
    damage: say('ui.damage'),
};

export const EFFORT_WORDS = [say('effort.loose'), say('effort.finger'), say('effort.flex'), say('effort.scraper'), say('effort.bonded')];

/** Of the measures that every shop has. */
export const MEASURE_WORDS: Record<string, string> = {
    pull_hot: say('measure.pull_hot'),
    pull_cold: say('measure.pull_cold'),
    lift: say('measure.lift'),
    held: say('measure.held'),
    effort: say('measure.effort'),
    release_temp: say('measure.release_temp'),
    damage: say('measure.damage'),
    print_minutes: say('measure.print_minutes'),
};

export const CRITERION_WORDS: Record<Schemas['Proof']['criterion'], string> = {
    without_law: say('proof.without_law'),
    counts: say('proof.counts'),
    middle_of_logs: say('proof.middle_of_logs'),
    mean: say('proof.mean'),
    nearly_all: say('proof.nearly_all'),
};

export const DESIGN_WORDS: Record<Schemas['Proof']['design'], string> = { adaptive: 'After each run; the next run is chosen', fixed: 'Once, when all planned runs are done' };

export const LIFT_BY_WORDS: Record<Schemas['Limits']['liftBy'] & string, string> = {
    mean_of_ends: say('lift_by.mean_of_ends'),
    worst_end: say('lift_by.worst_end'),
};

export const STATUS_WORDS: Record<Schemas['ComparisonStatus'], string> = {
    draft: say('status.draft'),
    running: say('status.running'),
    closed: say('status.closed'),
};

export const PROFILE_WORDS: Record<Schemas['ProfileStatus'], string> = {
    unsigned: say('profile.unsigned'),
    validated: say('profile.validated'),
    trial: say('profile.trial'),
    withdrawn: say('profile.withdrawn'),
};

export const CHANGE_WORDS: Record<Schemas['ChangeKind'], string> = {
    nozzle: say('change.nozzle'),
    hot_end: say('change.hot_end'),
    levelling: say('change.levelling'),
    levelled_for_plate: say('change.levelled_for_plate'),
    hold_down: say('change.hold_down'),
    magnet: say('change.magnet'),
    crash: say('change.crash'),
    machine_fault: say('change.machine_fault'),
};

export const GRADE_WORDS: Record<Schemas['Grade'], string> = {
    strong: say('grade.strong'),
    fair: say('grade.fair'),
    poor: say('grade.poor'),
    never: say('grade.never'),
};

export const CHART_WORDS: Record<Schemas['ChartWord'], string> = {
    recommended: say('chart.recommended'),
    possible: say('chart.possible'),
    'does not hold': say('chart.does_not_hold'),
    'bonds for good': say('chart.bonds_for_good'),
};

export const ROLE_WORDS: Record<Schemas['AgentRole'], string> = {
    grip: say('agent_role.grip'),
    release: say('agent_role.release'),
    none: say('agent_role.none'),
    harmful: say('agent_role.harmful'),
};

export const STANDING_WORDS: Record<Schemas['Standing'], string> = {
    untried: say('standing.untried'),
    open: say('standing.open'),
    confirmed: say('standing.confirmed'),
    refuted: say('standing.refuted'),
};

export const USER_ROLE_WORDS: Record<Schemas['Role'], string> = {
    technician: say('role.technician'),
    lead: say('role.lead'),
    viewer: say('role.viewer'),
};

export const RUN_STATUS_WORDS: Record<Schemas['Run']['status'], string> = {
    planned: say('run_status.planned'),
    running: say('run_status.running'),
    done: say('run_status.done'),
    void: say('run_status.void'),
};

export const PULL_WORDS: Record<Schemas['Pull'], string> = {
    hot: say('pull.hot'),
    cold: say('pull.cold'),
};
