<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Browser;

/** A plate as a map, and a procedure with its timer that ends in the record; at phone size. */
final class CareScreensTest extends BrowserTestCase
{
    public function testAProcedureWithATimerEndsInTheRecord(): void
    {
        $this->phone();
        $this->signIn('technician', '/care');
        $this->press('P1 front');
        $this->see('Wash: 12 prints since the last one.');
        $this->see('Next part in the broken frame');
        $this->assertFits('a plate side');
        $this->assertAccessible('a plate side');
        $this->press('Wash with soap');
        $this->see('Let the plate cool');
        $this->press('Done');
        $this->press('Start the timer');
        $this->until(fn (): bool => str_contains($this->textOf('[role=timer]'), '0:5'), 'The timer does not run.');
        $this->assertFits('a procedure');
        $this->assertAccessible('a procedure');
        foreach (range(2, 5) as $step) {
            $this->press('Done');
        }
        $this->see('All steps are done.');
        $this->press('Note it');
        $this->see('Nothing is due');
    }

    public function testWhatIsProvenAndTheFewestPlates(): void
    {
        $this->phone();
        $this->signIn('viewer', '/keep');
        $this->press('What is proven');
        $this->see('Nothing was printed for use in the last year.');
        $this->see('textured PEI');
        $this->assertFits('what is proven');
        $this->assertAccessible('what is proven');
        $this->open('/care/sums');
        $this->see('Vapour in the air');
        $this->assertAccessible('sums');
    }
}
