<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** Every main view: no accessibility faults in light and dark, nothing cut off on a phone, all by keyboard. */
final class ScreensTest extends BrowserTestCase
{
    private const VIEWS = [
        '/' => 'Good day',
        '/choose' => 'let go unharmed',
        '/choose/catalogue' => 'Where practitioners disagree',
        '/choose/heat' => 'set the display to',
        '/test' => 'Comparisons',
        '/test/new' => 'What a setup has to reach',
        '/judge' => 'Verdicts',
        '/keep' => 'Profiles',
        '/care' => 'due',
        '/care/sums' => 'Thin a cleaner with water',
        '/fix' => 'What is wrong?',
        '/prints' => 'how each came out',
        '/prints/came-true' => 'No print has been answered yet',
        '/prints/learned' => 'What this shop has learned',
        '/shelf' => 'Shelf',
        '/people' => 'Three roles',
    ];

    public function testEveryViewIsAccessibleInLightAndDarkAndFitsAPhone(): void
    {
        $this->open('/');
        $this->see('Sign in');
        $this->assertAccessible('sign-in');
        $this->signIn('lead');
        $views = self::VIEWS + $this->deepViews();
        foreach ($views as $path => $words) {
            $this->open($path);
            $this->see($words);
            $this->assertAccessible("$path in light");
            $this->page->executeScript('document.documentElement.dataset.theme = "dark"');
            // All else is the same in both.
            $this->assertAccessible("$path in dark", 'color-contrast');
            // Turned or made narrow while it is looked at, and come to on a phone.
            $this->phone();
            $this->assertFits("$path made narrow");
            $this->page->navigate()->refresh();
            $this->see($words);
            $this->assertFits($path);
            $this->desk();
        }
    }

    /** Open dialogs are pages too. */
    public function testDialogsAreAccessibleInLightAndDarkAndFitAPhone(): void
    {
        $this->signIn('lead');
        $dialogs = [
            '/shelf' => ['Plates' => 'New plate', 'Printers' => 'New printer', 'Agents' => 'New agent', 'Lots' => 'New lot', 'Gauges' => 'New gauge', 'Own surfaces' => 'New kind of surface'],
            '/care' => ['' => 'Note a change to a printer'],
            '/keep' => ['' => 'Import a profile'],
            '/choose' => ['' => 'Print with it'],
            '/people' => ['' => 'New account'],
        ];
        foreach ($dialogs as $path => $buttons) {
            foreach ($buttons as $tab => $button) {
                $this->tablet();
                $this->open($path);
                if ('' !== $tab) {
                    $this->click("//button[@role=\"tab\"][.=\"$tab\"]");
                }
                $this->press($button);
                $this->until(fn (): bool => true === $this->page->executeScript('return document.querySelector("[role=dialog][data-state=open]") !== null'), "$button opens nothing.");
                $this->assertAccessible($button);
                $this->page->executeScript('document.documentElement.dataset.theme = "dark"');
                $this->assertAccessible("$button in dark", 'color-contrast');
                $this->phone();
                $this->assertFits("$button on a phone");
                $this->assertAccessible("$button in dark on a phone", 'color-contrast');
            }
        }
    }

    public function testThereByAFewLettersAndByKeys(): void
    {
        $this->signIn('technician');
        $this->see('Good day');
        $keys = fn (string ...$keys) => $this->page->getKeyboard()->sendKeys($keys);
        $keys(WebDriverKeys::CONTROL, 'k', WebDriverKeys::NULL);
        $this->see('Heat sums');
        $this->assertAccessible('the palette');
        $keys('textured p1');
        $this->until(fn (): bool => str_contains($this->textOf('[role=dialog]'), 'House grey PLA on textured P1'), 'The profile is not found.');
        $keys(WebDriverKeys::ENTER);
        $this->see('Trust it for');
        $keys('g');
        $keys('s');
        $this->see('What the workshop has');
        $keys('/');
        $this->see('Heat sums');
        $keys('p14');
        $this->until(fn (): bool => str_contains($this->textOf('[role=dialog]'), 'For the filter wheels.'), 'P14 is not found.');
        $keys(WebDriverKeys::ENTER);
        $this->until(fn (): bool => 'P14' === $this->page->executeScript('return document.querySelector("input[type=search]")?.value'), 'The shelf does not show P14.');
        $this->open('/judge');
        $this->see('Verdicts');
        $keys('?');
        $this->see('G W');
        $keys(WebDriverKeys::ESCAPE);
        // Whoever dictates switches single keys off; Ctrl-K stays.
        $this->press('Mara');
        $this->click('//*[@role="menuitem"][.="Units and look"]');
        $this->click('//button[@role="checkbox"][following-sibling::label[starts-with(., "Single keys are shortcuts")]]');
        $this->press('Save');
        $this->until(fn (): bool => !str_contains($this->text(), 'Single keys are shortcuts'), 'The preferences stay open.');
        $keys('g');
        $keys('f');
        $keys('/');
        self::assertStringContainsString('Verdicts', $this->text());
        self::assertStringNotContainsString('Heat sums', $this->text());
        // The manual opens at the chapter of the page.
        $this->press('Help');
        $this->until(fn (): bool => 'judge' === $this->page->switchTo()->activeElement()->getAttribute('id'), 'The manual is not at its chapter.');
        $this->assertAccessible('the manual');
    }

    public function testAnotherPrinterIsOneTouchAway(): void
    {
        $this->signIn('technician');
        $this->press('The bench: change what lies on it');
        $this->press('South bay');
        $this->until(fn (): bool => str_contains($this->textOf('.sticky'), 'South bay') && str_contains($this->textOf('.sticky'), 'PETG L-201'), 'Its lot does not come with it.');
        $this->press('The bench: change what lies on it');
        $this->press('North bay');
        $this->until(fn (): bool => str_contains($this->textOf('.sticky'), 'P1 front'), 'What lay on the other is not there any more.');
        // On a run the bar shows where the run is made.
        $this->click('//a[contains(., "Go on with run")]');
        $this->until(fn (): bool => str_contains($this->textOf('section[aria-label="The bench of this run"]'), 'South bay'), 'The bar shows another bench than that of the run.');
    }

    public function testTheBenchIsChangedByKeyboardAndPrefillsChoose(): void
    {
        $this->signIn('viewer');
        $bar = $this->page->findElement(WebDriverBy::xpath('//button[@aria-label="The bench: change what lies on it"]'));
        $bar->sendKeys(WebDriverKeys::ENTER);
        $this->fill('Printer', 'Dome');
        $this->fill('Material and lot', 'ABS');
        $this->field('Room, °C')->sendKeys(WebDriverKeys::CONTROL.'a'.WebDriverKeys::CONTROL.'23'.WebDriverKeys::ENTER);
        // The list that it was picked from names it too: what counts is the bar, once it is stored.
        $this->until(fn (): bool => str_contains($this->textOf('.sticky'), 'ABS L-301'), 'The bench is not changed.');
        $this->press('Choose');
        $this->see('Dome white ABS on smooth P7');
        $this->see('review was due');
        self::assertStringNotContainsString('Compare', $this->text(), 'A viewer plans no comparison.');
        $this->change('Room temperature:', 'Room, °C', '14');
        $this->see('yours is 14 °C');
    }

    /** @return array<string, string> */
    private function deepViews(): array
    {
        $ids = $this->page->executeAsyncScript(
            'const done = arguments[0]; (async () => { const get = async (p) => (await fetch("/api/" + p)).json(); const comparisons = await get("comparisons"); const by = (s) => comparisons.find((c) => c.status === s).id;'
            .'const under = comparisons.find((c) => c.runs.planned > 0).id; const running = await get("comparisons/" + under); const closed = await get("comparisons/" + by("closed")); const profiles = await get("profiles");'
            .'done({running: under, draft: by("draft"), closed: by("closed"), run: running.runs.find((r) => r.status !== "done").id, doneRun: running.runs.find((r) => r.status === "done").id, setup: closed.setups[0].id, profile: profiles[0].id}); })()',
        );
        self::assertIsArray($ids);

        return [
            "/test/{$ids['running']}" => 'Runs in order',
            "/test/{$ids['draft']}" => 'The order, as it would be',
            "/test/{$ids['draft']}/plan" => 'Change the plan',
            "/test/{$ids['running']}/import" => 'Readings from paper',
            "/runs/{$ids['run']}" => 'Noted so far',
            "/runs/{$ids['doneRun']}" => 'This run is done',
            "/judge/{$ids['closed']}" => 'How this is judged',
            "/keep/{$ids['profile']}" => 'Trust it for',
            "/keep/{$ids['profile']}/card" => 'Card for the printer',
            "/keep/propose/{$ids['setup']}" => 'How many runs are enough',
        ];
    }
}
