<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/** A print for use: begun from the answer of Choose, answered in two touches at phone size. */
final class PrintScreensTest extends BrowserTestCase
{
    public function testAPrintIsBegunFromChooseAndAnsweredInTwoTouches(): void
    {
        $this->signIn('technician', '/choose');
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

    public function testAPrintIsAnsweredWithoutNetworkWithItsPhotoAndItsHarm(): void
    {
        $this->signIn('technician', '/choose');
        $this->press('Print with it');
        $this->fill('What is printed', 'Name plate');
        $this->press('Begin the print');
        $this->see('It is logged.');
        $this->phone();
        $this->open('/prints');
        $this->see('How did it end?');
        $this->network(false);
        $this->click('//summary[contains(., "More to say")]');
        $this->fill('Worst corner up by, mm', '0.6');
        $this->click('//label[contains(., "The plate was marked")]');
        $this->see('Touch where it is');
        $this->click('//*[@role="img" and starts-with(@aria-label, "Map of the plate")]');
        $picture = tempnam(sys_get_temp_dir(), 'photo').'.jpg';
        imagejpeg(imagecreatetruecolor(320, 240), $picture);
        $this->page->findElement(WebDriverBy::cssSelector('input[type=file]'))->sendKeys($picture);
        $this->see('One photo waits');
        $this->assertAccessible('what is said of a print');
        $this->press('A corner lifted');
        $this->press('Lifts by finger');
        $this->see('Noted: ');
        $this->see('entries wait for the server');
        $this->assertFits('an answer that waits');
        $this->network(true);
        $this->see('worst corner up by 0.6');
        $this->until(fn (): bool => !str_contains($this->text(), 'for the server'), 'Something still waits.');
        self::assertSame(1, \count($this->page->findElements(WebDriverBy::cssSelector('img[src^="/api/job-photos/"]'))));
        self::assertSame(1, \count($this->page->findElements(WebDriverBy::xpath('//*[@role="img" and starts-with(@aria-label, "Map of the plate")]'))), 'Where it was harmed is drawn.');
        unlink($picture);
    }

    public function testALogIsReadInAndSummedForASheet(): void
    {
        $this->signIn('technician', '/prints');
        $this->press('Read in a log');
        $table = tempnam(sys_get_temp_dir(), 'log').'.csv';
        file_put_contents($table, "began,printer,plate,lot,bed,title,minutes,ended,how_off\n".date('Y-m-d', strtotime('-2 days'))."T09:00,North bay,P12 front,L-101,45,Tag,30,stuck,finger\n");
        $this->field('Table (CSV)')->sendKeys($table);
        $this->see('Line 2: Write how it ended as one of held, lifted, came_off, plate_shifted');
        file_put_contents($table, str_replace('stuck', 'held', (string) file_get_contents($table)));
        $this->open('/prints/read-in');
        $this->field('Table (CSV)')->sendKeys($table);
        $this->see('1 print.');
        $this->press('Take all');
        $this->see('1 print is in the log.');
        $this->assertAccessible('a log read in');
        unlink($table);
        $this->phone();
        $this->open('/prints/report');
        $this->see('Of 1 print for use 1 held and let go');
        $this->assertFits('the report');
        $this->assertAccessible('the report');
    }

    public function testReportAndLabelsComeOutOfThePrinterAsSheetsAndNotAsScreens(): void
    {
        $this->signIn('technician', '/prints/report');
        $this->see('What came of the prints');
        $this->open('/shelf/labels');
        $this->see('Labels for');
        foreach (['/prints/report' => 'What came of the prints', '/shelf/labels' => 'P1 front'] as $path => $words) {
            $this->open($path);
            $this->see($words);
            $this->command('Emulation.setEmulatedMedia', ['media' => 'print']);
            $shown = $this->text();
            self::assertStringContainsString($words, $shown);
            foreach (['Choose', 'Care', 'Room', 'Print these'] as $screen) {
                self::assertStringNotContainsString("\n$screen\n", "\n$shown\n", "$path prints what is for the screen.");
            }
            $pdf = $this->command('Page.printToPDF', ['paperWidth' => 8.27, 'paperHeight' => 11.69]);
            $bytes = (string) base64_decode((string) $pdf['data'], true);
            self::assertStringStartsWith('%PDF', $bytes);
            self::assertLessThanOrEqual(3, preg_match_all('~/Type\s*/Page\b~', $bytes), "$path takes more paper than it has to say.");
            $this->command('Emulation.setEmulatedMedia', ['media' => '']);
        }
        self::assertSame(0, (int) $this->page->executeScript('return [...document.querySelectorAll("[role=img]")].filter((code) => code.getAttribute("aria-label").startsWith("Code") && code.getBoundingClientRect().width > 0 && code.getBoundingClientRect().width < 60).length'), 'No code is too small for a phone.');
    }

    public function testTheCodeOnAPlateOpensOnAPhoneWhatPrintsOnIt(): void
    {
        $this->signIn('technician', '/choose');
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
