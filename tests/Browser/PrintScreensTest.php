<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Browser;

/** A print for use: begun from the answer of Choose, answered in two touches at phone size. */
final class PrintScreensTest extends BrowserTestCase
{
    public function testAPrintIsBegunFromChooseAndAnsweredInTwoTouches(): void
    {
        $this->signIn('technician');
        $this->open('/choose');
        $this->press('Print with it');
        $this->fill('What is printed', 'Filter cell, set of two');
        $this->press('Begin the print');
        $this->see('It is logged.');
        $this->open('/');
        $this->see('Say how it came out: Filter cell, set of two');
        $this->page->executeScript('window.touches = 0; addEventListener("click", (event) => { window.touches += event.isTrusted ? 1 : 0; }, true);');
        $this->click('//a[contains(., "Say how it came out")]');
        $this->see('was said that it holds and lets go');
        $this->press('Held to the end');
        $this->press('Lifts by finger');
        $this->until(fn (): bool => !str_contains($this->text(), 'How did it end?'), 'It still waits for an answer.');
        self::assertSame(3, $this->page->executeScript('return window.touches'), 'One to come there, and two to answer.');
        $this->see('Filter cell, set of two');
        $this->press('Did it come true?');
        $this->see('Of 1 print 1 held and let go');
    }

    public function testTheCodeOnAPlateOpensOnAPhoneWhatPrintsOnIt(): void
    {
        $this->signIn('technician');
        $this->open('/choose');
        $this->press('Print with it');
        $this->fill('What is printed', 'Name plate');
        $this->press('Begin the print');
        $this->see('It is logged.');
        $side = $this->page->executeAsyncScript('const done = arguments[0]; fetch("/api/jobs?status=open").then((answer) => answer.json()).then((jobs) => done(jobs[0].plateSideId))');
        self::assertIsString($side);
        $this->phone();
        $this->open('/shelf/labels');
        $this->see('Labels for');
        $this->assertAccessible('labels');
        $this->open("/prints?side=$side");
        $this->see('Name plate');
        $this->assertFits('prints on a side');
        $this->assertAccessible('prints on a side');
        $this->press('Came off in the print');
        $this->see('Nothing on it waits for an answer.');
    }
}
