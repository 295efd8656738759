import type { Schemas } from '../api/client';

export const STEP_WORDS: Record<Schemas['Step'], string> = {
    prepare: 'Prepare',
    heat_and_soak: 'Heat and soak',
    print: 'Print',
    first_layer: 'First layer',
    hot_pull: 'Hot pull',
    cool: 'Cool',
    cold_pull: 'Cold pull',
    inspect: 'Inspect',
    clean: 'Clean',
};

export const OUTCOME_WORDS: Record<Schemas['Outcome'], string> = {
    held: 'Held to the end',
    lifted: 'A corner lifted',
    came_off: 'Came off in the print',
    plate_shifted: 'The plate itself shifted',
};

export const EFFORT_WORDS = ['Loose on its own', 'Lifts by finger', 'Flex needed', 'Scraper needed', 'Broke or bonded'];

export const MEASURE_WORDS: Record<Schemas['Measure'], string> = {
    pull_hot: 'Hot pull',
    pull_cold: 'Cold pull',
    lift: 'Lift at an end',
    held: 'Held',
    effort: 'Release effort',
    release_temp: 'Came off at',
    damage: 'Plate damaged',
    print_minutes: 'Print time',
};

export const CRITERION_WORDS: Record<Schemas['Proof']['criterion'], string> = { counts: 'Counts: how many runs succeed', mean: 'Mean: the mean pull clears its limit', nearly_all: 'Nearly all: nine parts in ten clear the limit' };

export const DESIGN_WORDS: Record<Schemas['Proof']['design'], string> = { adaptive: 'After each run; the next run is chosen', fixed: 'Once, when all planned runs are done' };

export const LIFT_BY_WORDS: Record<Schemas['Limits']['liftBy'] & string, string> = { mean_of_ends: 'Mean of both ends', worst_end: 'Worst end, as for a bar with one point' };

export const STATUS_WORDS: Record<Schemas['ComparisonStatus'], string> = { draft: 'planned', running: 'under way', closed: 'judged' };

export const PROFILE_WORDS: Record<Schemas['ProfileStatus'], string> = { unsigned: 'not signed', validated: 'validated', trial: 'on trial', withdrawn: 'withdrawn' };

export const CHANGE_WORDS: Record<Schemas['ChangeKind'], string> = { nozzle: 'new nozzle', hot_end: 'new hot end', levelling: 'levelled again', levelled_for_plate: 'levelled by hand for one plate', hold_down: 'plates held down otherwise', magnet: 'magnets', crash: 'crash', machine_fault: 'machine at fault' };

export const GRADE_WORDS: Record<Schemas['Grade'], string> = { strong: 'strong', fair: 'fair', poor: 'poor', never: 'never' };

export const CHART_WORDS: Record<Schemas['ChartWord'], string> = { recommended: 'recommended', possible: 'possible, with care', 'does not hold': 'does not hold', 'bonds for good': 'bonds for good' };

export const ROLE_WORDS: Record<Schemas['AgentRole'], string> = { grip: 'adds grip', release: 'parting layer', none: 'no use', harmful: 'does harm' };

export const STANDING_WORDS: Record<Schemas['Standing'], string> = { untried: 'untried here', open: 'own runs do not tell yet', confirmed: 'confirmed here', refuted: 'refuted here' };
