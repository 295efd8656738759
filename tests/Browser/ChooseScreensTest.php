<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\WebDriverBy;
use Sitzplatz\Tests\Core\Shape\BuildsMeshes;

/** From a part's file to two candidates in a comparison, and the catalogue and heat sums behind it. */
final class ChooseScreensTest extends BrowserTestCase
{
    use BuildsMeshes;

    public function testFromADroppedFileToAComparisonOfTwo(): void
    {
        $this->signIn('technician');
        $this->press('Choose');
        $this->see('candidates, the likeliest first');
        // The warp bar of practice: 100 × 8 × 15 mm.
        $this->drop('warp bar.stl', self::binary(self::box(0, 0, 100, 8, 15)));
        $this->see('warp bar.stl');
        $this->see('800 mm²');
        $this->see('From below.');
        $this->see('4 sharp, 2 thin ends');
        $this->see('it is 100 mm long with 2 thin ends');
        $this->see('ears of 6 mm radius');
        // What is advised is part of every proposal, until somebody asks for something else.
        $this->fill('Around the part', 'nothing');
        $this->until(fn (): bool => !str_contains($this->candidates(), 'ears of 6 mm radius'), 'Ears are still part of the proposals.');
        $this->press('Do as advised');
        $this->until(fn (): bool => str_contains($this->candidates(), 'ears of 6 mm radius'), 'Ears are no part of the proposals.');

        $this->click('//li//button[span[text()="P1 front, bare"]]');
        $this->see('Why P1 front, bare');

        // What if: each change ranks anew, with nothing loaded again.
        $this->page->executeScript('window.stillHere = true');
        $this->fill('Room, °C', '12');
        $this->see('A cold room, 12 °C');
        $this->see('on top of the usual');
        $this->fill('Parts on the plate', '20');
        $this->see('all 20');
        $this->see('20 parts share the plate');
        $this->fill('Bed display, °C', '40');
        $this->see('below the window');
        $this->fill('Bed display, °C', '');
        $this->fill('Agent', 'bare only');
        $this->until(fn (): bool => !str_contains($this->candidates(), 'PVA stick'), 'An agent is still offered.');
        self::assertTrue($this->page->executeScript('return window.stillHere === true'));
        $this->fill('Agent', 'bare and all');
        $this->fill('Parts on the plate', '1');
        $this->fill('Room, °C', '20');
        // What comes moves what stands below it.
        $this->until(fn (): bool => !$this->isBehind(), 'The answer for the last change does not come.');

        // A reason opens down to the formula, its inputs and their basis.
        $this->click('//summary[contains(., "Set-point")]');
        $this->see('display = surface + q·Σ(t ÷ k + contact)');
        $this->see('measured here; it beats the sum');
        $this->click('//summary[contains(., "Warp against hold")]');
        $this->see('Wang, Xi & Jin 2007');
        $this->see('Never pull while it is hot.');

        foreach (['P1 front, bare', 'P2 front, bare'] as $label) {
            $this->click(\sprintf('//li[.//span[text()="%s"]]//button[@role="checkbox"]', $label));
        }
        $this->press('Compare 2');
        $this->see('Plan a comparison');
        $this->see('What a setup has to reach');
        $plates = $this->page->executeScript('return [...document.querySelectorAll("[role=combobox]")].map((s) => s.textContent).filter((words) => /^P\\d/.test(words))');
        self::assertSame(['P1 front, textured PEI', 'P2 front, textured PEI'], $plates);
    }

    public function testOnAPhoneTheNotesOpenBetweenTheRows(): void
    {
        $this->signIn('viewer');
        $this->phone();
        $this->open('/choose');
        $this->see('candidates, the likeliest first');
        self::assertStringNotContainsString('To take it off', $this->text(), 'Nobody asked yet.');
        $this->click('//li[.//span[text()="P1 front, bare"]]//button[.="Why, and how to take it off"]');
        $this->see('Why P1 front, bare');
        $this->see('To take it off');
        $this->assertFits('an opened candidate');
        $this->assertAccessible('an opened candidate on a phone');
    }

    public function testAResinIsChosenBySeconds(): void
    {
        $this->signIn('technician');
        $this->open('/choose');
        $this->fill('Material', 'resin');
        $this->fill('Printer', 'Darkroom');
        $this->see('P15 front, bare');
        $this->see('28 s');
        $this->see('uncured resin harms skin and eyes');
        self::assertStringNotContainsString('Bed display', $this->text());
        self::assertStringNotContainsString('Tick some to compare', $this->text());
    }

    public function testABrokenFileIsToldAndNothingIsLost(): void
    {
        $this->signIn('technician');
        $this->open('/choose');
        $this->see('candidates, the likeliest first');
        $this->fill('Parts on the plate', '3');
        $this->drop('letter.stl', "Dear all,\nthe plates have come.\n");
        $this->see('This is neither STL nor 3MF nor G-code');
        self::assertSame('3', $this->field('Parts on the plate')->getAttribute('value'));
        $this->press('Type its figures');
        $this->fill('Contact, mm²', '100');
        $this->see('its foot of 100 mm² is small');
        $this->click('//button[@role="checkbox"][following-sibling::label[.="Articulated"]]');
        $this->see('they would lock an articulated part');
        $options = array_map(static fn ($option): string => $option->getText(), $this->field('Around the part')->findElements(WebDriverBy::tagName('option')));
        self::assertCount(2, $options, 'As advised or nothing: no brim, ears or raft on what moves.');
    }

    /** A plan from temperatures that were for another job would be a wrong plan. */
    public function testAnAnswerToWhatWasTypedBeforeStartsNoPlan(): void
    {
        $this->signIn('technician');
        $this->open('/choose');
        $this->click('//li[.//span[text()="P1 front, bare"]]//button[@role="checkbox"]');
        $this->see('Compare 1');
        $slow = fn (int $milliseconds) => (new ChromeDevToolsDriver($this->page))->execute('Network.emulateNetworkConditions', ['offline' => false, 'latency' => $milliseconds, 'downloadThroughput' => -1, 'uploadThroughput' => -1]);
        $slow(8_000);
        $this->fill('Room, °C', '12');
        $this->until(fn (): bool => $this->isBehind(), 'Nothing tells that the answer is for another room.');
        self::assertFalse($this->page->findElement(WebDriverBy::xpath('//button[text()="Compare 1"]'))->isEnabled());
        $slow(0);
        $this->fill('Room, °C', '13');
        $this->see('A cold room, 13 °C');
        self::assertTrue($this->page->findElement(WebDriverBy::xpath('//button[text()="Compare 1"]'))->isEnabled());
    }

    public function testWishesChangeTheOrder(): void
    {
        $this->signIn('technician');
        $this->open('/choose');
        $this->see('candidates, the likeliest first');
        $this->press('Wishes and order: none');
        $this->fill('Underside', 'gloss');
        $this->press('Lower cost per print up');
        $this->press('Done');
        $this->see('gloss underside, own order');
        $this->until(fn (): bool => str_contains($this->candidate(1), 'gloss underside'), 'A gloss underside does not stand first.');
        $this->see('you asked for gloss');
        $this->assertAccessible('choose with wishes');
    }

    public function testTheCatalogueTakesTheWordOfTheShop(): void
    {
        $this->signIn('technician');
        $this->open('/choose');
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
        $this->signIn('technician');
        $this->open('/choose/heat');
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
            .'const field = document.querySelector(\'section[aria-label="The part"]\'); for (const type of ["dragover", "drop"]) field.dispatchEvent(new DragEvent(type, {bubbles: true, cancelable: true, dataTransfer: data}));',
            [$name, base64_encode($bytes)],
        );
    }

    /** Whether what is shown still answers what was typed before. */
    private function isBehind(): bool
    {
        return null !== $this->page->executeScript('return document.querySelector("[aria-busy=true]")');
    }

    private function candidates(): string
    {
        return $this->textOf('section[aria-label="Candidates"]');
    }

    private function candidate(int $place): string
    {
        return $this->textOf("section[aria-label=\"Candidates\"] ol > li:nth-child($place)");
    }
}
