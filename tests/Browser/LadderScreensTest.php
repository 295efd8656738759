<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** Questions that are asked along a ladder, from the plan to what it says; and the report of a comparison. */
final class LadderScreensTest extends BrowserTestCase
{
    public function testALadderEndsEarlyByItsRuleAndItsWindowIsHeldTrueHere(): void
    {
        $this->signIn('technician', '/test/new');
        $this->fill('The question', 'From which bed');
        $this->see('5 setups, up to 90 runs');
        $this->see('Only the bed temperature differs');
        $this->press('Start');
        $this->see('Next: run 1');
        $comparison = substr((string) $this->page->getCurrentURL(), -36);
        // Of each rung the first three runs: B fails twice, and A with it.
        $this->takeIn($comparison, ['A' => '11', 'B' => '001', 'C' => '111', 'D' => '111', 'E' => '111']);
        $this->open("/judge/$comparison");
        $this->see('No further runs for A, B');
        $this->press('No further runs for A, B');
        $this->see('B grips more and did not hold twice: what grips less is skipped');
        $this->see('2 of 3 runs did not hold: this rung is given up.');
        $this->see('No rung is shown to hold yet.');

        // The plan chooses run by run; as many as that are planned here in one go.
        $this->plan($comparison, ['C', 'D'], 13);
        $this->takeIn($comparison, ['C' => str_repeat('1', 13), 'D' => str_repeat('1', 13)], 100);
        $this->open("/judge/$comparison");
        $this->see('It holds from 58 °C: shown there, and not yet known at 53 °C.');
        $this->press('Hold this window true here');
        self::assertSame('By the ladder "PLA: From which bed temperature on?".', $this->field('Why')->getAttribute('value'));
        $this->press('Hold it true');
        $this->until(fn (): bool => [] === $this->page->findElements(WebDriverBy::cssSelector('[role=dialog]')), 'It was not taken.');
        // Choose seats by the shop's own window from now on, and says so.
        $this->open('/choose');
        $this->see('let go unharmed');
        $this->until(fn (): bool => 54.7 === $this->lowOfTheFirst(), 'Choose has another window.');
    }

    public function testAGridIsMadeAndOneRunGoesByGaugeWithTheNetworkCutInTheMiddle(): void
    {
        $this->signIn('technician', '/test/new');
        $this->press('Every combination of …');
        foreach (['P1 front, textured PEI', 'P2 front, textured PEI'] as $plate) {
            $this->click("//*[@role='dialog']//button[@role='checkbox'][following-sibling::label[.='$plate']]");
        }
        $this->fill('Speed 1, mm/s', '20');
        $this->fill('Speed 2, mm/s', '55');
        $this->press('Make the setups');
        $this->see('P2 front, bare, 56 °C, 55 mm/s in the first layer');
        $this->see('4 setups, up to 72 runs');
        $this->see('other differences have no single cause');
        $this->press('… and pull by gauge or scale');
        $this->see('4 setups, up to 64 runs');
        $this->press('Start');
        $this->click('//a[contains(., "Next: run 1")]');
        $this->see('this part gives a');
        $pull = str_contains($this->text(), 'gives a hot pull') ? 'hot' : 'cold';
        $this->press('Begin this run');
        $this->press('Done. Heat and soak');
        $this->see('to soak');
        $this->network(false);
        foreach (['Done. Print', 'Done. First layer', 'Held to the end'] as $touch) {
            $this->press($touch);
        }
        $this->see('entries wait for the server');
        $this->network(true);
        $this->page->executeScript('window.dispatchEvent(new Event("online"))');
        $this->until(fn (): bool => !str_contains($this->text(), 'for the server'), 'What was touched without network was not sent.');
        if ('cold' === $pull) {
            $this->press('Done. Cold pull');
        }
        // The gauge was asked on arriving; where the network was still away it is asked again.
        $this->until(function (): bool {
            $this->page->executeScript('[...document.querySelectorAll("button")].find((b) => b.textContent === "Pull with the gauge" && !b.disabled)?.click()');

            return str_contains($this->text(), 'What let go?');
        }, 'The gauge was not read.');
        $this->press('The part came off the plate');
        if ('cold' === $pull) {
            $this->press('Lifts by finger');
        }
        $this->press('No');
        $this->press('Done. Clean');
        $this->press('Finish the run');
        $this->see('Run 1 is done. This is the next.');
    }

    public function testAnotherLotBringsItsNozzleAndANameByHandStays(): void
    {
        $this->signIn('technician', '/test/new');
        $this->see('Nozzle 0.4 mm at 210 °C');
        $this->press('What a setup has to reach');
        $this->fill('What it is called', 'The Tuesday question');
        $this->see('2 setups, up to 36 runs');
        self::assertStringNotContainsString('Plate and side', $this->text(), 'No setup unfolds because another field is typed in.');
        $this->fill('The question', 'How near');
        $this->see('gap 0.16 mm');
        self::assertSame('The Tuesday question', $this->field('What it is called')->getAttribute('value'));
        $this->openWord('Lot:');
        $this->fill('Lot', 'PETG L-201');
        $this->see('With PETG L-201');
        $this->until(fn (): bool => !str_contains($this->text(), 'at 210 °C'), 'The nozzle is still that of the other material.');
        $this->page->getKeyboard()->sendKeys(WebDriverKeys::ESCAPE);
        // What is asked of a resin stands there as soon as a plan of one is opened.
        $this->openWord('Lot:');
        $this->fill('Lot', 'resin L-701');
        $this->page->getKeyboard()->sendKeys(WebDriverKeys::ESCAPE);
        $this->fill('The question', 'How long an');
        $this->see('P15 front, bare, 27 s');
        $this->press('Save the plan');
        $this->see('The first runs, as they would be');
        $this->press('Change the plan');
        $this->see('How long an exposure?');
        self::assertStringNotContainsString('From which bed temperature on?', $this->text());
    }

    public function testAResinIsTriedAlongItsExposureOnAPhone(): void
    {
        $this->signIn('technician');
        $this->phone();
        $this->open('/test/new');
        $this->openWord('Lot:');
        $this->fill('Lot', 'resin L-701');
        $this->see('resin L-701 on Darkroom');
        $this->page->getKeyboard()->sendKeys(WebDriverKeys::ESCAPE);
        $this->fill('The question', 'How long an');
        $this->see('P15 front, bare, 27 s');
        $this->press('A first look');
        $this->see('5 setups, 25 runs.');
        $this->press('Start');
        $this->see('Next: run 1');
        $this->click('//a[contains(., "Next: run 1")]');
        $this->press('Begin this run');
        $this->see('uncured resin harms skin and eyes');
        $this->press('Done. Print');
        $this->see('Expose the bottom layers');
        $this->see('in this the setup differs');
        $this->press('Done. First layer');
        $this->press('Held to the end');
        $this->see('Let it drain');
        $this->press('Done. Wash');
        $this->see('Alcohol burns and its vapour too');
        $this->press('Done. Cure');
        $this->see('only with its lid shut');
        $this->press('Done. Inspect');
        $this->press('Flex needed');
        $this->press('No');
        $this->press('Done. Clean');
        $this->press('Finish the run');
        $this->see('Run 1 is done. This is the next.');
    }

    public function testTheReportHasAllOfAComparisonDownToEachReading(): void
    {
        $this->signIn('viewer', '/judge');
        $this->click('//a[contains(., "Filter cells in grey PLA")]');
        $this->press('Report');
        $this->see('Weak points of the evidence');
        foreach (['Use this', 'How this is judged', 'Over all setups by the log-rank test', 'Effort, by its grades', 'p of all pairs together (Holm)', 'Readings'] as $part) {
            $this->see($part);
        }
        // 36 runs, a line each; A's first hot pull stands in it.
        self::assertSame(36, $this->page->executeScript('return document.querySelectorAll("table:last-of-type tbody")[document.querySelectorAll("table:last-of-type tbody").length - 1].rows.length'));
        $this->assertAccessible('the report');
        $table = $this->page->executeAsyncScript('fetch(document.querySelector("a[download]").href).then((r) => r.text()).then(arguments[0])');
        self::assertStringStartsWith('setup,run,measure,value,unit,status', (string) $table);
        $figures = $this->page->executeAsyncScript('fetch([...document.querySelectorAll("a[download]")].at(-1).href).then((r) => r.json()).then((j) => arguments[0](j.further.measures.pull_hot.survival.setups.length))');
        self::assertSame(3, $figures);
    }

    /** @param array<string, string> $outcomes of the runs of each setup: 1 held, 0 did not */
    private function takeIn(string $comparison, array $outcomes, int $from = 1): void
    {
        $table = "setup,run,measure,value,unit,status\n";
        foreach ($outcomes as $setup => $runs) {
            foreach (str_split($runs) as $i => $held) {
                $run = $setup.($from + $i);
                $table .= "$setup,$run,held,$held,,exact\n".('1' === $held ? "$setup,$run,effort,1,,exact\n$setup,$run,damage,0,,exact\n" : '');
            }
        }
        $this->open("/test/$comparison/import");
        $this->fill('or paste the table', $table);
        $this->press('Check the table');
        $this->press('Add these readings');
        $this->see('Why');
    }

    /** @param list<string> $labels */
    private function plan(string $comparison, array $labels, int $count): void
    {
        foreach ($labels as $label) {
            $status = $this->page->executeAsyncScript(
                'const [path, label, count, done] = arguments; (async () => { const s = await (await fetch("/api/session")).json(); const c = await (await fetch(path)).json();'
                .'const r = await fetch(path + "/runs", {method: "POST", headers: {"Content-Type": "application/json", "X-CSRF-Token": s.csrf}, body: JSON.stringify({id: crypto.randomUUID(),'
                .'version: c.version, setupId: c.setups.find((e) => e.label === label).id, count, pull: "cold"})}); done(r.status); })()',
                ["/api/comparisons/$comparison", $label, $count],
            );
            self::assertSame(200, $status);
        }
    }

    private function lowOfTheFirst(): ?float
    {
        $low = $this->page->executeAsyncScript('fetch("/api/catalogue/pairs/pla/pei_textured").then((r) => r.json()).then((pair) => arguments[0](pair.window[0]))');

        return is_numeric($low) ? (float) $low : null;
    }
}
