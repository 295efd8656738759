<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/** A full plate with its map and photos, a profile in question, and paper as people keep it. */
final class KindScreensTest extends BrowserTestCase
{
    public function testAFullPlateSaysWhichPartsFailedAlsoWithoutNetworkAndShowsThemUnderJudge(): void
    {
        $this->signIn('technician');
        $this->tablet();
        $this->open('/test/new');
        $this->fill('The question', 'Does a full plate');
        $this->see('One setup, up to 18 runs');
        $this->press('Start');
        $this->see('A run holds if every one of its 9 parts does.');
        $comparison = substr((string) $this->page->getCurrentURL(), -36);
        $this->click('//a[contains(., "Next: run 1")]');
        $this->press('Begin this run');
        foreach (['Heat and soak', 'Print', 'First layer'] as $step) {
            $this->press("Done. $step");
        }
        $this->see('All 9 parts have to hold.');
        $this->network(false);
        $this->press('Came off in the print');
        $this->see('Which parts did not hold?');
        $this->press('Part 7');
        $this->see('wait');
        $this->network(true);
        $this->until(fn (): bool => 1 === $this->marks($comparison), 'The mark did not arrive.');
        $this->press('Part 9');
        $this->until(fn (): bool => 2 === $this->marks($comparison), 'The second mark did not arrive.');
        $this->press('Part 9');
        $this->until(fn (): bool => 1 === $this->marks($comparison), 'It was not taken back.');
        $this->press('Done. Inspect');
        $this->see('Photos');
        $this->photograph('Underside', [120, 40, 90]);
        $this->press('Look at the photo: Underside');
        $this->see('Take the photo back');
        $this->assertAccessible('photo');
        $this->press('Close');
        $this->press('Mark a place on the plate');
        $this->press('By words instead');
        $this->press('Front left');
        $this->until(fn (): bool => 2 === $this->marks($comparison), 'Harm was not marked.');
        $this->assertAccessible('inspect');
        $this->press('Done. Clean');
        $this->press('Finish the run');
        $this->see('Run 1 is done');
        $this->open("/judge/$comparison");
        $this->see('A: one part failed in one run');
        $this->see('Photos side by side');
        $this->see('Make the 2 runs that are left of this plan.');
        $this->see('Weak points of the evidence');
        $this->assertAccessible('judge');
    }

    public function testAProfileInQuestionLeadsToThePlanOfItsConfirmation(): void
    {
        $this->signIn('technician', '/keep');
        $this->press('Dome white ABS on smooth P7');
        $this->see('In question: do not rely on it as it stands.');
        $this->click('//a[starts-with(normalize-space(.), "Plan its confirmation")]');
        $this->see('Stands beside this one:');
        $this->see('not run together');
        self::assertSame('still_holding', $this->field('The question')->getAttribute('value'));
        $this->press('Take it away');
        $this->press('Put an earlier comparison beside it');
        $this->fill('Find', 'grey PLA');
        $this->click('//button[contains(., "Filter cells in grey PLA")]');
        $this->see('Filter cells in grey PLA, which plate?');
    }

    public function testAChangeQuestionsAProfileAndItsConfirmationRestoresIt(): void
    {
        $this->signIn('lead', '/care');
        $this->press('Note a change to a printer');
        $this->press('levelled again');
        $this->press('Note it');
        $this->open('/keep');
        $this->press('House grey PLA on textured P1');
        $this->see('The printer was changed since: levelled again');
        $this->click('//a[starts-with(normalize-space(.), "Plan its confirmation: 11 runs")]');
        $this->see('What do you want to know?');
        $this->press('Start');
        $this->see('Next: run 1');
        $comparison = substr((string) $this->page->getCurrentURL(), -36);
        $pulls = $this->page->executeAsyncScript('fetch("/api/comparisons/" + arguments[0]).then((r) => r.json()).then((c) => arguments[1](c.runs.map((run) => run.pull)))', [$comparison]);
        self::assertIsArray($pulls);
        $table = "setup,run,measure,value,unit,status\n";
        foreach ($pulls as $i => $pull) {
            $table .= "A,r$i,held,1,,exact\nA,r$i,print_minutes,30,min,exact\n".('hot' === $pull
                ? 'A,r'.$i.',pull_hot,'.(28 + $i % 4).".5,N,exact\n"
                : 'A,r'.$i.',pull_cold,'.(4 + $i % 2).".4,N,exact\nA,r$i,effort,1,,exact\nA,r$i,damage,0,,exact\n");
        }
        $this->open("/test/$comparison/import");
        $this->fill('or paste the table', $table);
        $this->press('Check the table');
        $this->see('readings in '.\count($pulls).' runs');
        $this->press('Add these readings');
        $this->press('Record the verdict');
        $this->press('Propose a profile from A');
        $this->see('The evidence carries it.');
        self::assertStringStartsWith('Revision 2 of', (string) $this->page->executeScript('return document.querySelector("select[name=series]").selectedOptions[0].text'));
        $this->assertAccessible('a proposal of a revision');
        $this->press('Propose it to a lead');
        $this->see('Against revision 1');
        $this->see('Longest job: 30 min, was 24 min.');
        $this->press('Sign');
        $this->fill('Your password', 'hilltop');
        $this->press('Sign as validated');
        $this->see('signed by Tilo');
        $this->open('/keep');
        $this->see('House grey PLA on textured P1');
        self::assertStringNotContainsString('levelled again', $this->text(), 'It is restored, and the one before has given way.');
    }

    public function testPaperAsPeopleKeepItIsMatchedOnceAndSeenBeforeItIsStored(): void
    {
        $this->signIn('technician', '/test');
        $this->click('//a[contains(., "Dew shields")]');
        $this->press('Readings from paper');
        $this->fill('or paste the table', "Plate;Run;Held;Cold pull (kg);Effort;Damage\nold glass;1;yes;0,45;1;no\ncool one;1;no;;;");
        $this->press('Check the table');
        $this->see('“old glass”, 4 readings');
        self::assertSame('kgf', $this->field('Unit')->getAttribute('value'));
        $this->fill('“old glass”, 4 readings', 'A:');
        $this->see('“cool one”, one reading');
        $this->fill('“cool one”, one reading', 'C:');
        $this->see('As they will be stored: 5 readings');
        $this->see('0.45 kgf');
        $this->see('4.4 N');
        $this->assertAccessible('import');
        $this->press('Add these readings');
        $this->see('Weak points of the evidence');
    }

    /** @param array{int<0, 255>, int<0, 255>, int<0, 255>} $colour */
    private function photograph(string $shows, array $colour): void
    {
        $path = sys_get_temp_dir().'/sitzplatz-photo-'.bin2hex(random_bytes(4)).'.png';
        $image = imagecreatetruecolor(2000, 1500);
        imagefill($image, 0, 0, (int) imagecolorallocate($image, ...$colour));
        imagepng($image, $path);
        try {
            $camera = WebDriverBy::xpath("//label[contains(., '$shows')]/input[@type='file']");
            $this->until(fn (): bool => [] !== $this->page->findElements($camera), "There is no camera for $shows.");
            $this->page->findElement($camera)->sendKeys($path);
            $this->until(fn (): bool => [] !== $this->page->findElements(WebDriverBy::cssSelector("img[alt='$shows']")), 'The photo did not arrive.');
        } finally {
            unlink($path);
        }
    }

    private function marks(string $comparison): int
    {
        exec(
            preg_replace('/ < .*$/', '', (string) getenv('SITZPLATZ_TEST_RESET')).' -N -e '.escapeshellarg(
                'SELECT COUNT(*) FROM plate_mark m JOIN run r ON r.id = m.run_id WHERE m.withdrawn_at IS NULL AND r.comparison_id = UNHEX(\''.str_replace('-', '', $comparison)."')",
            ),
            $output,
        );

        return (int) ($output[0] ?? -1);
    }
}
