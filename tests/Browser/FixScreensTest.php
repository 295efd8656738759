<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Browser;

/** What is wrong is looked for one trial at a time, on a phone beside the printer, and ends with the record put right. */
final class FixScreensTest extends BrowserTestCase
{
    public function testADialogueEndsInAWashThatIsNoted(): void
    {
        $this->phone();
        $this->signIn('technician', '/fix');
        $this->press('It held last week');
        $this->see('12 prints since its last wash');
        $this->press('It did not help');
        $this->until(fn (): bool => str_contains($this->textOf('section[aria-label="Try this now"]'), 'first-layer gap'), 'The next trial does not come.');
        $this->page->navigate()->refresh();
        $this->see('Look at the first-layer gap');
        $this->press('Take back');
        $this->see('Wash the plate');
        $this->press('It helped');
        $this->assertFits('what it was');
        $this->assertAccessible('what it was');
        $this->fill('A note for the next time', 'Somebody had touched it.');
        $this->press('Write it down');
        $this->press('Note the wash');
        $this->see('It stands in Care now');
        $this->open('/fix?symptom=used_to');
        $this->see('Washed since its last print.');
        $this->see('It was the cause here once before.');
        $this->see('Somebody had touched it.');
    }
}
