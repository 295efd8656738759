<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Sitzplatz\Tests\Core\Shape\BuildsMeshes;

/** From a part's file to two candidates in a comparison, and the catalogue and heat sums behind it. */
final class ChooseScreensTest extends BrowserTestCase
{
    use BuildsMeshes;

    private const ANSWER = 'let go unharmed';
    private const ROWS = 'section[aria-label="Candidates"]';

    public function testFromADroppedFileToAComparisonOfTwo(): void
    {
        $this->signIn('technician', '/choose');
        $this->see(self::ANSWER);
        // The warp bar of practice: 100 × 8 × 15 mm.
        $this->drop('warp bar.stl', self::binary(self::box(0, 0, 100, 8, 15)));
        $this->see('warp bar.stl');
        $this->openWord('The part:');
        $this->see('800 mm²');
        $this->see('From below.');
        $this->see('4 sharp, 2 thin ends');
        $this->see('it is 100 mm long with 2 thin ends');
        $this->closeWord();
        // What is advised is part of every proposal, until somebody asks for something else.
        $this->until(fn (): bool => str_contains($this->useThis(), 'ears of 6 mm radius'), 'Ears are no part of the answer.');
        $this->change('Around the part:', 'Around the part', 'nothing');
        $this->until(fn (): bool => !str_contains($this->useThis(), 'ears of 6 mm radius'), 'Ears are still part of the answer.');
        $this->openWord('The part:');
        $this->press('Do as advised');
        $this->closeWord();
        $this->until(fn (): bool => str_contains($this->useThis(), 'ears of 6 mm radius'), 'Ears are no part of the answer.');
        $this->see('Why P1 front, bare');

        // What if: each change ranks anew, with nothing loaded again.
        $this->page->executeScript('window.stillHere = true');
        $this->change('Room temperature:', 'Room, °C', '12');
        $this->see('A cold room, 12 °C');
        $this->see('on top of the usual');
        $this->change('How many parts', 'Parts on the plate', '20');
        $this->see('all 20 hold');
        $this->see('20 parts on the plate');
        // Touched, a bar says more; where the answer changed in that moment it is another one, and is touched again.
        $this->until(function (): bool {
            $says = str_contains($this->text(), 'Every part more is another chance to lose the plate');
            if (!$says) {
                $this->click("//summary[starts-with(normalize-space(.), '20 parts on the plate')]");
            }

            return $says;
        }, 'A bar that was touched says nothing.');
        $this->change('Set by hand:', 'Bed display, °C', '40');
        $this->until(fn (): bool => str_contains($this->useThis(), 'P12 front, bare'), 'So cold, another plate is the answer.');
        $this->press('P2 front, bare, textured PEI');
        $this->see('below the window');
        $this->press('P2 front, bare, textured PEI');
        $this->change('Set by hand:', 'Bed display, °C', '');
        $this->change('Set by hand:', 'Agent', 'bare only');
        $this->until(fn (): bool => !str_contains($this->rows(), 'PVA stick'), 'An agent is still offered.');
        self::assertTrue($this->page->executeScript('return window.stillHere === true'));
        $this->change('Set by hand:', 'Agent', 'bare and all');
        $this->change('How many parts', 'Parts on the plate', '1');
        $this->change('Room temperature:', 'Room, °C', '20');
        // What comes moves what stands below it.
        $this->until(fn (): bool => !$this->isBehind(), 'The answer for the last change does not come.');

        // A reason opens down to the formula, its inputs and their basis.
        $this->click('//summary[contains(., "Set-point")]');
        $this->see('display = surface + q·Σ(t ÷ k + contact)');
        $this->see('measured here; it beats the sum');
        $this->click('//summary[contains(., "Warp against hold")]');
        $this->see('Wang, Xi & Jin 2007');
        $this->see('Never pull while it is hot.');

        // The answer is ticked along with the first alternative.
        $this->press('Compare P2 front, bare');
        $this->press('Compare 2');
        $this->see('What do you want to know?');
        $this->see('P1 front, bare, 55 °C textured PEI');
        $this->see('P2 front, bare, 56 °C textured PEI');
    }

    public function testTheAnswerAndFiveAlternativesStandAboveTheFold(): void
    {
        $this->signIn('technician', '/choose');
        $this->see(self::ANSWER);
        // What the bench bar covers is below the fold.
        $fold = $this->page->executeScript('return innerHeight - document.querySelector("[aria-haspopup=dialog][aria-expanded]:not([data-state])").closest(".sticky").offsetHeight');
        self::assertLessThanOrEqual(800, $this->page->executeScript('return innerHeight'));
        self::assertLessThan($fold, $this->bottomOf('section[aria-label="Use this"]'));
        self::assertLessThan($fold, $this->bottomOf(self::ROWS.' ol > li:nth-child(5)'));
        foreach (['P1 front, bare', 'textured PEI', 'proven for up to 24 min', '55 °C', 'surface 52', 'holds', 'let go unharmed', 'Wash first', 'Around the part: no brim', 'below 35 °C'] as $words) {
            self::assertStringContainsString($words, $this->useThis());
        }
        // All rows stand on the same scale: the same temperature at the same place.
        $stops = $this->page->executeScript('return [...document.querySelectorAll(arguments[0] + " li svg")].map((e) => Math.round(e.getBoundingClientRect().left) + "/" + Math.round(e.getBoundingClientRect().width))', [self::ROWS]);
        self::assertIsArray($stops);
        self::assertCount(1, array_unique($stops));
        self::assertGreaterThan(5, \count($stops));
        self::assertLessThanOrEqual(44, $this->page->executeScript('return Math.max(...[...document.querySelectorAll(arguments[0] + " li > div")].map((e) => e.offsetHeight))', [self::ROWS]));
        // What has no own runs looks different from what has.
        self::assertStringContainsString('nothing was printed like it here yet: only common practice; 5 runs would tell', $this->rows());
    }

    public function testEveryStateIsInTheAddress(): void
    {
        $this->signIn('technician', '/choose');
        $this->see(self::ANSWER);
        $this->change('How many parts', 'Parts on the plate', '4');
        $this->see('all 4 hold');
        $this->press('P12 front, bare, low-temperature plate, matte');
        $this->see('Why P12 front, bare');
        $this->press('Compare P12 front, bare');
        $this->see('2 ticked:');
        $this->until(fn (): bool => str_contains((string) $this->page->getCurrentURL(), 'ticked='), 'The address does not have what is ticked.');
        $address = (string) $this->page->getCurrentURL();
        self::assertStringContainsString('parts=4', $address);
        $this->page->navigate()->refresh();
        $this->see('Why P12 front, bare');
        $this->see('2 ticked:');
        $this->see('all 4 hold');
        $this->press('Side by side');
        $this->see('likelier to be better');
        $this->assertAccessible('two setups side by side');
        $this->page->navigate()->back();
        $this->until(fn (): bool => !str_contains($this->text(), 'likelier to be better'), 'Going back does not close it.');
        // Why not that one? What is ruled out stands beside the answer, with its gates.
        $this->open('/choose');
        $this->see(self::ANSWER);
        $this->click('//summary[starts-with(., "Ruled out")]');
        $this->press('P9 front beside the answer');
        $this->see('Ruled out by');
        $this->see('the bed of North bay takes 250 mm × 210 mm');
        // What is no address is none: the bench is asked instead.
        $this->open('/choose?material=%5B1%5D&parts=%22x%22&ticked=7&look=%22nowhere%22&part=%7B%22a%22%3A1%7D&wishes=%22all%22');
        $this->see('P1 front, bare');
        $this->see('let go unharmed');
        // Somebody else opens the same.
        $this->signIn('viewer');
        $this->page->get($address);
        $this->see('Why P12 front, bare');
        $this->see('all 4 hold');
    }

    public function testOnAnyPrinterAndWhereNothingFits(): void
    {
        $this->signIn('technician', '/choose');
        $this->see(self::ANSWER);
        $this->change('Material and lot:', 'Material', 'ABS');
        $this->change('Printer:', 'Printer', 'any printer');
        $this->see('P7 front, bare, on Dome');
        // Setups of two printers are held side by side, and not compared by a test.
        $this->click('//li[.//span[contains(., "North bay")]]//button[@role="checkbox"]');
        $this->see('These lie on different printers');
        self::assertFalse($this->page->findElement(WebDriverBy::xpath('//button[text()="Compare 2"]'))->isEnabled());
        $this->press('Side by side');
        $this->see('What differs');
        $this->closeWord();
        $this->press('Clear');
        $this->change('Printer:', 'Printer', 'Darkroom');
        $this->see('Everything on the shelf was ruled out.');
        $this->see('On other printers');
        $this->press('Dome');
        $this->until(fn (): bool => str_contains($this->useThis(), 'P7 front, bare'), 'The other printer is not taken.');
        $this->press('What else would do');
        $this->see('Not on the shelf');
        $this->assertAccessible('what else would do');
        // The card is all that the hand at the printer needs, and the bench is set to it in one touch.
        $this->press('Print with it');
        $this->see('Scrapers tear the film.');
        $this->see('Never pull while it is hot.');
        $this->assertAccessible('the card of a setup');
        $this->press('Put it on the bench');
        $this->see('It lies on the bench');
        $this->closeWord();
        $this->until(fn (): bool => str_contains($this->textOf('.sticky'), 'P7 front'), 'The bench bar still has the other plate.');
    }

    /** From the start page to a started comparison of two setups, with the keyboard alone and no field typed. */
    public function testByKeyboardFromTheStartPageToAStartedComparison(): void
    {
        $this->signIn('technician');
        foreach (['Choose', 'Compare P2 front, bare', 'Compare 2', 'Start'] as $name) {
            $this->byKeyboard($name);
        }
        $this->see('Next: run 1');
        $this->see('No harder than “flex needed”');
        self::assertStringNotContainsString('Hot pull at least', $this->text(), 'A default plan needs no limit and no gauge.');
    }

    public function testOnAPhoneTheNotesOpenBetweenTheRows(): void
    {
        $this->signIn('viewer');
        $this->phone();
        $this->open('/choose');
        $this->see('let go unharmed');
        self::assertLessThan(844, $this->bottomOf('section[aria-label="Use this"]'));
        self::assertStringNotContainsString('To take it off', $this->text(), 'Nobody asked yet.');
        $this->press('Why, and how to take it off');
        $this->see('Why P1 front, bare');
        $this->see('To take it off');
        $this->press('P2 front, bare, textured PEI');
        $this->see('Why P2 front, bare');
        $this->assertFits('an opened candidate');
        $this->assertAccessible('an opened candidate on a phone');
    }

    public function testAResinIsChosenBySeconds(): void
    {
        $this->signIn('technician', '/choose');
        $this->see(self::ANSWER);
        // There is one printer for it, and it is taken.
        $this->change('Material and lot:', 'Material', 'resin');
        $this->see('Darkroom');
        $this->see('P15 front, bare');
        $this->see('28 s');
        $this->see('uncured resin harms skin and eyes');
        $this->openWord('Set by hand:');
        self::assertStringNotContainsString('Bed display', $this->text());
    }

    public function testABrokenFileIsToldAndNothingIsLost(): void
    {
        $this->signIn('technician', '/choose');
        $this->see(self::ANSWER);
        $this->change('How many parts', 'Parts on the plate', '3');
        $this->drop('letter.stl', "Dear all,\nthe plates have come.\n");
        $this->see('This is neither STL nor 3MF nor G-code');
        $this->openWord('How many parts');
        self::assertSame('3', $this->field('Parts on the plate')->getAttribute('value'));
        $this->closeWord();
        $this->openWord('The part:');
        $this->press('Type its size');
        $this->fill('Length, mm', '60');
        $this->see('A block: contact 1,200');
        $this->fill('Contact, mm²', '100');
        $this->see('its foot of 100 mm² is small');
        $this->click('//button[@role="checkbox"][following-sibling::label[.="Articulated"]]');
        $this->see('they would lock an articulated part');
        $this->closeWord();
        $this->openWord('Around the part:');
        $options = array_map(static fn ($option): string => $option->getText(), $this->field('Around the part')->findElements(WebDriverBy::tagName('option')));
        self::assertCount(2, $options, 'As advised or nothing: no brim, ears or raft on what moves.');
    }

    /** A plan from temperatures that were for another job would be a wrong plan. */
    public function testAnAnswerToWhatWasTypedBeforeStartsNoPlan(): void
    {
        $this->signIn('technician', '/choose');
        $this->press('Compare P2 front, bare');
        $this->see('2 ticked:');
        // Without it the browser may answer as fast as it can all the same.
        $this->command('Network.enable');
        $slow = fn (int $milliseconds) => $this->command('Network.emulateNetworkConditions', ['offline' => false, 'latency' => $milliseconds, 'downloadThroughput' => -1, 'uploadThroughput' => -1]);
        $slow(25_000);
        $this->change('Room temperature:', 'Room, °C', '12');
        $this->until(fn (): bool => $this->isBehind(), 'Nothing tells that the answer is for another room.');
        self::assertFalse($this->page->findElement(WebDriverBy::xpath('//button[text()="Compare 2"]'))->isEnabled());
        $slow(0);
        $this->change('Room temperature:', 'Room, °C', '13');
        $this->see('A cold room, 13 °C');
        self::assertTrue($this->page->findElement(WebDriverBy::xpath('//button[text()="Compare 2"]'))->isEnabled());
        // Who goes on at once stays where they went, however long that page takes to come.
        $this->command('Network.setBypassServiceWorker', ['bypass' => true]);
        $slow(1_000);
        $this->openWord('Room temperature:');
        $this->fill('Room, °C', '14');
        $this->page->executeScript('document.querySelector("a[href=\'/test\']").click()');
        $this->see('Plan a comparison');
    }

    public function testWishesChangeTheOrder(): void
    {
        $this->signIn('technician', '/choose');
        $this->see(self::ANSWER);
        $this->press('Wishes and order: none');
        $this->fill('Underside', 'gloss');
        $this->press('Lower cost per print up');
        $this->press('Done');
        $this->see('gloss underside, own order');
        $this->until(fn (): bool => !str_contains($this->useThis(), 'P1 front, bare'), 'A gloss underside does not stand first.');
        $this->see('not as wished');
        $this->press('P1 front, bare, textured PEI');
        $this->see('you asked for gloss');
        $this->assertAccessible('choose with wishes');
    }

    public function testTheCatalogueTakesTheWordOfTheShop(): void
    {
        $this->signIn('technician', '/choose');
        $this->press('Catalogue');
        $this->see('What practice knows of each pair');
        $this->click('//button[starts-with(@aria-label, "PETG on smooth PEI")]');
        $this->see('PETG on smooth PEI');
        $this->see('a barrier');
        $this->click('//button[starts-with(@aria-label, "PLA on textured PEI")]');
        $this->see('levels the texture and takes its grip away');
        $this->click('//summary[.="textured PEI"]');
        $this->see('The melt keys into the micro-texture');
        $this->click('//summary[.="PLA"]');
        $this->see('55 to 62 °C');
        $this->press('What this shop holds true');
        $this->assertAccessible('the form of a fact');
        $this->fill('Holds', 'fair');
        $this->fill('start at, °C', '52');
        $this->press('Hold it true');
        $this->see('Fill this in.');
        $this->fill('Why', 'Two new sheets let corners go.');
        $this->press('Hold it true');
        $this->see('Two new sheets let corners go.');
        $this->see('The catalogue says strong and strong.');
        $this->press('Withdraw');
        $this->see('Withdrawn by Mara');
        $this->see('start at 55 °C');
    }

    public function testHeatIsReckonedAndMeasured(): void
    {
        $this->signIn('technician', '/choose/heat');
        $this->see('set the display to');
        $this->see('By what was measured on this plate and printer.');
        $this->fill('Plate and side', 'P2 front');
        $this->see('Modelled; nothing was measured');
        $this->fill('Surface, °C', '54');
        $this->press('Note it');
        $this->see('By what was measured on this plate and printer.');
        $this->see('54 °C with 60 °C on the display');
        $this->fill('Voltage, V', '230');
        $this->see('Mains voltage kills');
        $this->press('what the display shows');
        $this->see('the surface settles at');
    }

    /** Lets go of a file over the field for it, as a hand with a mouse does. */
    private function drop(string $name, string $bytes): void
    {
        $this->page->executeScript(
            'const bytes = Uint8Array.from(atob(arguments[1]), (c) => c.charCodeAt(0)); const data = new DataTransfer(); data.items.add(new File([bytes], arguments[0]));'
            .'const field = document.querySelector(\'section[aria-label="What is to be printed"]\'); for (const type of ["dragover", "drop"]) field.dispatchEvent(new DragEvent(type, {bubbles: true, cancelable: true, dataTransfer: data}));',
            [$name, base64_encode($bytes)],
        );
    }

    /** Whether what is shown still answers what was typed before. */
    private function isBehind(): bool
    {
        return null !== $this->page->executeScript('return document.querySelector("[aria-busy=true]")');
    }

    private function useThis(): string
    {
        return $this->textOf('section[aria-label="Use this"]');
    }

    private function rows(): string
    {
        return $this->textOf(self::ROWS);
    }

    private function bottomOf(string $selector): float
    {
        $bottom = $this->page->executeScript('return document.querySelector(arguments[0]).getBoundingClientRect().bottom + scrollY', [$selector]);

        return is_numeric($bottom) ? (float) $bottom : 1e9;
    }

    /** Goes there by Tab, from where the focus is, and presses it. */
    private function byKeyboard(string $name): void
    {
        $found = \sprintf('//*[self::button or self::a][normalize-space(.)=\'%1$s\' or @aria-label=\'%1$s\']', $name);
        $this->until(fn (): bool => [] !== $this->page->findElements(WebDriverBy::xpath($found)) && $this->page->findElement(WebDriverBy::xpath($found))->isEnabled(), "$name is not there.");
        for ($i = 0; $i < 120; ++$i) {
            $focused = $this->page->switchTo()->activeElement();
            if (\in_array($name, [trim($focused->getText()), $focused->getAttribute('aria-label')], true)) {
                $focused->sendKeys('checkbox' === $focused->getAttribute('role') ? WebDriverKeys::SPACE : WebDriverKeys::ENTER);

                return;
            }
            $focused->sendKeys(WebDriverKeys::TAB);
        }
        self::fail("$name is not reached by Tab.");
    }
}
