<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Account\DigestedSessions;
use App\Account\Leads;
use App\Account\OpenSessions;
use App\Account\User;
use App\Platform\Http\Cells;
use App\Platform\Http\Problem;
use Doctrine\ORM\EntityManagerInterface;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\BrowserKit\CookieJar;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Symfony\Component\Uid\Uuid;

final class AccountTest extends ApiTestCase
{
    use ClockSensitiveTrait;
    private const LONG = 'aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa';

    public function testNobodyGetsInWithoutSigningIn(): void
    {
        self::assertNull($this->ask('GET', '/api/session', null, 200)['user']);
        foreach (['/api/overview', '/api/plates', '/api/profiles', '/api/users'] as $path) {
            $this->ask('GET', $path, null, 401);
        }
        $this->ask('PUT', '/api/bench', [], 401);
    }

    public function testNameAndPassword(): void
    {
        $wrong = $this->ask('POST', '/api/session', ['name' => 'lead', 'password' => 'wrong'], 401);
        self::assertSame('password', $wrong['errors'][0]['field']);
        $unknown = $this->ask('POST', '/api/session', ['name' => 'nobody', 'password' => 'wrong'], 401);
        self::assertSame($wrong['detail'], $unknown['detail'], 'A wrong name is told no differently from a wrong password.');
        $this->ask('POST', '/api/session', ['name' => 'lead'], 422);
        self::assertSame('lead', $this->ask('POST', '/api/session', ['name' => 'lead', 'password' => 'hilltop'], 200)['user']['role']);
        $this->ask('GET', '/api/users', null, 200);
        self::assertSame(
            [['lead', 'signed in'], ['nobody', 'sign-in refused'], ['nobody', 'sign-in refused']],
            array_map(static fn (array $each): array => [$each['person'], $each['action']], \array_slice($this->ask('GET', '/api/audit', null, 200)['entries'], 0, 3)),
            'A lead reads who came in and who did not.',
        );
    }

    public function testRepeatedFailuresSlowSignInDown(): void
    {
        $clock = self::mockTime('2026-03-01 12:00:00');
        for ($i = 0; $i < 5; ++$i) {
            $this->ask('POST', '/api/session', ['name' => 'lead', 'password' => 'wrong'], 401);
        }
        // What the database takes for the same account is counted as the same.
        foreach (['lead ', 'Léad', 'LEAD'] as $spelt) {
            $this->ask('POST', '/api/session', ['name' => $spelt, 'password' => 'hilltop'], 429);
        }
        $slow = $this->ask('POST', '/api/session', ['name' => 'LEAD', 'password' => 'hilltop'], 429);
        self::assertSame('Too many tries. Wait 2 seconds, then try again.', $slow['detail']);
        self::assertSame('2', $this->browser->getResponse()->headers->get('Retry-After'));
        $clock->sleep(2);
        $this->ask('POST', '/api/session', ['name' => 'lead', 'password' => 'wrong'], 401);
        $clock->sleep(3);
        $this->ask('POST', '/api/session', ['name' => 'lead', 'password' => 'hilltop'], 429);
        $clock->sleep(1);
        $this->ask('POST', '/api/session', ['name' => 'lead', 'password' => 'hilltop'], 200);
        self::assertSame(0, $this->rowsIn('sign_in_failure'));
    }

    public function testWhoeverGuessesFromElsewhereKeepsNobodyOut(): void
    {
        $clock = self::mockTime('2026-03-01 12:00:00');
        // As if from another address.
        for ($i = 0; $i < 60; ++$i) {
            $this->database()->insert('sign_in_failure', ['id' => Uuid::v7()->toBinary(), 'created_at' => '2026-03-01 12:00:00', 'utc_offset_minutes' => 0, 'account' => hash('sha256', 'lead'), 'address' => '10.0.0.9']);
        }
        $this->ask('POST', '/api/session', ['name' => 'lead', 'password' => 'hilltop'], 429);
        $clock->sleep(10);
        $this->ask('POST', '/api/session', ['name' => 'lead', 'password' => 'hilltop'], 200);
        $this->signIn('lead');
        for ($i = 0; $i < 5; ++$i) {
            $this->ask('PUT', '/api/password', ['old' => 'wrong', 'password' => 'seven grey seagulls'], 422);
        }
        $this->ask('PUT', '/api/password', ['old' => 'hilltop', 'password' => 'seven grey seagulls'], 429);
        self::assertSame(200, $this->send('GET', '/api/overview', null)->getStatusCode(), 'The session goes on.');
    }

    public function testOneChangesTheOwnPasswordAndOtherSessionsEnd(): void
    {
        $this->signIn('technician');
        $this->ask('GET', '/api/overview', null, 200);
        $sessions = (string) $this->database()->fetchOne("SELECT password_hash FROM user_account WHERE name = 'technician'");
        self::assertSame('old', $this->ask('PUT', '/api/password', ['old' => 'wrong', 'password' => 'seven grey seagulls'], 422)['errors'][0]['field']);
        foreach (['short', 'technician1', 'mara12345678', 'password123', 'abcabcabcabc', '0123456789', 'qwertyuiop', 'zyxwvutsrqp', 'aaaaaaaaaaaa', 'Sitzplatz123', 'wrenchwrench', 'Hammer-hammer', 'seagull seagull'] as $weak) {
            $refused = $this->ask('PUT', '/api/password', ['old' => 'hilltop', 'password' => $weak], 422);
            self::assertSame('password', $refused['errors'][0]['field'], $weak);
        }
        self::assertSame($sessions, $this->database()->fetchOne("SELECT password_hash FROM user_account WHERE name = 'technician'"));
        $this->ask('PUT', '/api/password', ['old' => 'hilltop', 'password' => 'seven grey seagulls'], 204);
        $this->ask('GET', '/api/overview', null, 200);
        self::assertSame(1, (int) $this->database()->fetchOne("SELECT COUNT(*) FROM audit_entry WHERE action = 'own password changed'"));
        $this->ask('DELETE', '/api/session', null, 204);
        $this->ask('POST', '/api/session', ['name' => 'technician', 'password' => 'hilltop'], 401);
        $this->ask('POST', '/api/session', ['name' => 'technician', 'password' => 'seven grey seagulls'], 200);
    }

    public function testThereIsAlwaysSomebodyWhoLeads(): void
    {
        $this->signIn('lead');
        $second = $this->ask('POST', '/api/users', ['name' => 'nils', 'displayName' => 'Nils', 'role' => 'lead', 'password' => 'long enough'], 201);
        $this->database()->executeStatement("UPDATE user_account SET active = 0 WHERE name = 'lead'");
        $leads = self::getContainer()->get(Leads::class);
        self::assertInstanceOf(Leads::class, $leads);
        $user = $this->database()->fetchOne("SELECT id FROM user_account WHERE name = 'nils'");
        $entities = self::getContainer()->get(EntityManagerInterface::class);
        self::assertInstanceOf(EntityManagerInterface::class, $entities);
        $nils = $entities->find(User::class, Uuid::fromBinary((string) $user));
        self::assertInstanceOf(User::class, $nils);
        self::assertSame($second['id'], $nils->id->toRfc4122());
        try {
            $leads->staysOneBeside($nils);
            self::fail('Nobody would lead.');
        } catch (Problem $problem) {
            self::assertSame(409, $problem->status);
        }
        $this->database()->executeStatement("UPDATE user_account SET active = 1 WHERE name = 'lead'");
        $leads->staysOneBeside($nils);
    }

    public function testALeadReadsWhoDidWhatPageByPageAndAsATable(): void
    {
        $this->signIn('lead');
        for ($i = 0; $i < 60; ++$i) {
            $this->database()->insert('audit_entry', ['id' => Uuid::v7()->toBinary(), 'created_at' => '2026-03-01 12:00:00', 'utc_offset_minutes' => 0, 'user_name' => 'nils', 'action' => 'run done', 'subject_id' => Uuid::v7()->toBinary(), 'detail' => json_encode(['note' => '=HYPERLINK("http://x")', 'n' => $i])]);
        }
        $this->ask('POST', '/api/users', ['name' => '=cmd', 'displayName' => 'Nils', 'role' => 'viewer', 'password' => 'long enough'], 422);
        $page = $this->ask('GET', '/api/audit?person=nils', null, 200);
        self::assertCount(50, $page['entries']);
        self::assertTrue($page['more']);
        self::assertSame(['note: =HYPERLINK("http://x")', 'n: 59'], array_map(static fn (array $each): string => "{$each['name']}: {$each['value']}", $page['entries'][0]['detail']), 'The newest first.');
        $rest = $this->ask('GET', '/api/audit?person=nils&after='.$page['entries'][49]['id'], null, 200);
        self::assertSame([10, false], [\count($rest['entries']), $rest['more']]);
        self::assertContains('nils', $page['people']);
        self::assertContains('run done', $page['actions']);
        self::assertCount(1, $this->ask('GET', '/api/audit?subject='.$page['entries'][3]['subjectId'], null, 200)['entries']);
        $table = (string) $this->send('GET', '/api/audit/table?person=nils', null)->getContent();
        self::assertSame(61, substr_count($table, "\n"));
        self::assertSame(["'=1+1", "'-2", "'@x", 'plain'], Cells::harmless(['=1+1', '-2', '@x', 'plain']), 'A spreadsheet makes no formula of it.');
        $printer = $this->pick('/api/printers', 'name', 'Dome');
        $this->ask('PUT', "/api/printers/{$printer['id']}", array_diff_key(['maxNozzleC' => 310, 'retired' => true] + $printer, ['id' => 0]), 200);
        $entry = $this->ask('GET', '/api/audit?subject='.$printer['id'], null, 200)['entries'][0];
        self::assertEqualsCanonicalizing(
            ['of: Dome', 'maxNozzleC: 300 → 310', 'retired: no → yes'],
            array_map(static fn (array $each): string => "{$each['name']}: {$each['value']}", $entry['detail']),
            'What is not as it was, and of what.',
        );
        $this->signIn('technician');
        $this->ask('GET', '/api/audit', null, 403);
    }

    public function testChangesNeedTheToken(): void
    {
        $this->signIn('technician');
        $this->forgetToken();
        $before = $this->rowsIn('lot');
        $this->ask('POST', '/api/lots', ['label' => 'X', 'materialId' => 'pla', 'name' => 'X', 'driedOn' => null, 'note' => ''], 403);
        self::assertSame($before, $this->rowsIn('lot'));
    }

    public function testRoles(): void
    {
        $this->signIn('viewer');
        $this->ask('GET', '/api/overview', null, 200);
        $this->ask('POST', '/api/fix', ['symptomId' => 'slides', 'plateSideId' => null, 'printerId' => null, 'lotId' => null, 'tried' => []], 200);
        $lot = ['label' => 'X', 'materialId' => 'pla', 'name' => 'X', 'driedOn' => null, 'note' => ''];
        self::assertStringContainsString('Ask a lead', $this->ask('POST', '/api/lots', $lot, 403)['detail']);
        $this->ask('GET', '/api/users', null, 403);
        $this->signIn('technician');
        $this->ask('POST', '/api/lots', $lot, 201);
        $this->ask('GET', '/api/users', null, 403);
        $this->signIn('lead');
        $this->ask('GET', '/api/users', null, 200);
    }

    public function testALeadKeepsTheAccounts(): void
    {
        $this->signIn('lead');
        $this->ask('POST', '/api/users', ['name' => 'nils', 'displayName' => 'Nils', 'role' => 'technician', 'password' => 'short'], 422);
        $user = $this->ask('POST', '/api/users', ['name' => 'nils', 'displayName' => 'Nils', 'role' => 'technician', 'password' => 'long enough'], 201);
        $this->ask('POST', '/api/users', ['name' => 'nils', 'displayName' => 'Other', 'role' => 'viewer', 'password' => 'long enough'], 409);
        $closed = $this->ask('PUT', '/api/users/'.$user['id'], ['version' => 1, 'displayName' => 'Nils', 'role' => 'technician', 'active' => false], 200);
        self::assertFalse($closed['active']);
        $this->ask('POST', '/api/session', ['name' => 'nils', 'password' => 'long enough'], 401);
        $lead = $this->pick('/api/users', 'name', 'lead');
        $this->ask('PUT', '/api/users/'.$lead['id'], ['version' => $lead['version'], 'displayName' => 'Tilo', 'role' => 'viewer', 'active' => true], 422);
    }

    public function testAClosedAccountIsOutAtOnce(): void
    {
        $this->signIn('technician');
        $this->database()->executeStatement("UPDATE user_account SET active = 0 WHERE name = 'technician'");
        $this->ask('GET', '/api/overview', null, 401);
    }

    /** "zz" and "pla" look like languages, and there is none to write a date in. */
    public function testALanguageThatIsNoneIsReadInEnglish(): void
    {
        $this->signIn('lead');
        foreach (['zz', 'pla', 'xx-YY', 'qqq;q=0.8, *;q=0.1', str_repeat('a', 300)] as $asked) {
            foreach (['/api/overview', '/api/profiles', '/api/session', '/api/report', '/api/audit'] as $path) {
                self::assertSame(200, $this->send('GET', $path, null, headers: ['HTTP_ACCEPT_LANGUAGE' => $asked])->getStatusCode(), "$path $asked");
            }
        }
        $this->ask('PUT', '/api/preferences', ['temperature' => '°C', 'force' => 'N', 'length' => 'mm', 'theme' => 'dark', 'locale' => 'pla'], 200);
        $this->ask('GET', '/api/profiles', null, 200);
        $this->ask('PUT', '/api/preferences', ['temperature' => '°C', 'force' => 'N', 'length' => 'mm', 'theme' => 'dark', 'locale' => ''], 200);
        self::assertMatchesRegularExpression('/due by \d{1,2}\.\d{1,2}\.\d{4}/', (string) $this->send('GET', '/api/profiles', null, headers: ['HTTP_ACCEPT_LANGUAGE' => 'zz, de;q=0.5'])->getContent(), 'The next that is one.');
    }

    public function testBenchAndPreferencesAreKept(): void
    {
        $this->signIn('viewer');
        $side = $this->side('P2 front');
        $bench = ['printerId' => null, 'plateSideId' => $side, 'agentId' => null, 'lotId' => null, 'roomC' => 18.5];
        $this->ask('PUT', '/api/bench', $bench, 200);
        $this->ask('PUT', '/api/preferences', ['temperature' => '°F', 'force' => 'lbf', 'length' => 'in', 'theme' => 'dark', 'locale' => ''], 200);
        $session = $this->ask('GET', '/api/session', null, 200);
        self::assertSame($side, $session['bench']['plateSideId']);
        self::assertEqualsWithDelta(18.5, $session['bench']['roomC'], 0);
        self::assertSame('lbf', $session['preferences']['force']);
        $this->ask('PUT', '/api/bench', [...$bench, 'roomC' => 'warm'], 422);
    }

    /** As if somebody stood at another device: what the browser knew is handed back, to go on with later. */
    private function leave(): CookieJar
    {
        $jar = clone $this->browser->getCookieJar();
        $this->browser->getCookieJar()->clear();

        return $jar;
    }

    private function comeBack(CookieJar $jar): void
    {
        $this->browser->getCookieJar()->clear();
        foreach ($jar->all() as $cookie) {
            $this->browser->getCookieJar()->set($cookie);
        }
    }

    public function testASessionLeftOpenElsewhereIsEndedFromHere(): void
    {
        $this->signIn('viewer');
        $other = $this->leave();
        $this->signIn('technician');
        $tablet = $this->leave();
        $this->signIn('technician');
        $sessions = $this->ask('GET', '/api/sessions', null, 200);
        self::assertSame([2, 1, 2], [\count($sessions), \count(array_filter($sessions, static fn (array $each): bool => $each['here'])), \count(array_filter($sessions, static fn (array $each): bool => $each['own']))], 'One sees the own ones.');
        $elsewhere = array_values(array_filter($sessions, static fn (array $each): bool => !$each['here']))[0]['id'];
        $this->ask('DELETE', "/api/sessions/$elsewhere", null, 204);
        $this->ask('GET', '/api/overview', null, 200);
        self::assertCount(1, $this->ask('GET', '/api/sessions', null, 200));
        $desk = $this->leave();
        $this->comeBack($tablet);
        self::assertStringContainsString('what you typed is kept', $this->ask('GET', '/api/overview', null, 401)['detail']);
        self::assertNull($this->ask('GET', '/api/session', null, 200)['user']);

        $this->comeBack($other);
        $here = $this->ask('GET', '/api/sessions', null, 200)[0]['id'];
        $this->comeBack($desk);
        $this->ask('DELETE', "/api/sessions/$here", null, 404);
        $this->comeBack($other);
        $this->ask('GET', '/api/overview', null, 200);
        $this->leave();
        $this->signIn('lead');
        self::assertContains($here, array_column($this->ask('GET', '/api/sessions', null, 200), 'id'), 'A lead sees those of everybody.');
        $this->ask('DELETE', "/api/sessions/$here", null, 204);
        $this->comeBack($other);
        $this->ask('GET', '/api/overview', null, 401);
    }

    public function testAfterTheLongestShiftThePasswordIsAskedAgainHoweverBusySomebodyWas(): void
    {
        $clock = self::mockTime('2026-03-01 06:00:00');
        $this->signIn('technician');
        for ($hour = 0; $hour < 16; ++$hour) {
            $this->ask('GET', '/api/overview', null, 200);
            $clock->sleep(3600);
        }
        self::assertCount(1, $this->ask('GET', '/api/sessions', null, 200));
        $clock->sleep(1);
        $this->ask('GET', '/api/overview', null, 401);
        $this->ask('POST', '/api/session', ['name' => 'technician', 'password' => 'hilltop'], 200);
        $this->ask('GET', '/api/overview', null, 200);
        $clock->sleep(31 * 86_400);
        $sessions = self::getContainer()->get(OpenSessions::class);
        self::assertInstanceOf(OpenSessions::class, $sessions);
        $sessions->purge();
        self::assertSame(0, (int) $this->database()->fetchOne("SELECT COUNT(*) FROM open_session WHERE created_at < '2026-03-30'"));
    }

    public function testANewPasswordByALeadEndsTheSessionsOfTheAccount(): void
    {
        $this->signIn('technician');
        $tablet = $this->leave();
        $this->signIn('lead');
        $user = $this->pick('/api/users', 'name', 'technician');
        $this->ask('PUT', "/api/users/{$user['id']}", ['version' => $user['version'], 'displayName' => $user['displayName'], 'role' => 'technician', 'active' => true, 'password' => 'seven grey seagulls'], 200);
        $this->comeBack($tablet);
        $this->ask('GET', '/api/overview', null, 401);
    }

    public function testWhoeverReadsTheTableOfSessionsGetsInWithNoneOfThem(): void
    {
        $pdo = $this->database()->getNativeConnection();
        self::assertInstanceOf(\PDO::class, $pdo);
        $sessions = new DigestedSessions($pdo, ['db_table' => 'session', 'lock_mode' => 0]);
        $sessions->open('', 'sitzplatz');
        $known = bin2hex(random_bytes(16));
        $kept = fn (): array => $this->database()->fetchFirstColumn('SELECT sess_id FROM session WHERE sess_data = ?', ["signed in $known"]);
        $sessions->write($known, "signed in $known");
        self::assertSame([hash('sha256', $known)], $kept());
        self::assertSame("signed in $known", $sessions->read($known));
        self::assertSame('', $sessions->read(hash('sha256', $known)), 'What stands in the table opens nothing.');
        self::assertTrue($sessions->updateTimestamp($known, "signed in $known"));
        $sessions->destroy($known);
        self::assertSame([], $kept());
    }

    /** What somebody saw of an old one, over a shoulder or in a copy, is of no use any more. */
    public function testTheIdentifierOfASessionIsAnotherAfterSignInAndANewPassword(): void
    {
        $identifier = fn (): string => $this->browser->getRequest()->getSession()->getId();
        $this->signIn('technician');
        $seen = [$identifier()];
        $this->signIn('technician');
        $seen[] = $identifier();
        $this->ask('PUT', '/api/password', ['old' => 'hilltop', 'password' => 'seven grey seagulls'], 204);
        $seen[] = $identifier();
        $this->ask('GET', '/api/overview', null, 200);
        self::assertSame(end($seen), $identifier());
        self::assertSame($seen, array_unique($seen));
    }

    public function testAnotherRoleEndsTheSessionsOfTheAccount(): void
    {
        $this->signIn('technician');
        $tablet = $this->leave();
        $this->signIn('lead');
        $user = $this->pick('/api/users', 'name', 'technician');
        $this->ask('PUT', "/api/users/{$user['id']}", ['version' => $user['version'], 'displayName' => $user['displayName'], 'role' => 'viewer', 'active' => true], 200);
        self::assertSame([], array_values(array_filter($this->ask('GET', '/api/sessions', null, 200), static fn (array $each): bool => $each['person'] === $user['displayName'])));
        $this->comeBack($tablet);
        $this->ask('GET', '/api/overview', null, 401);
    }

    public function testSignOut(): void
    {
        $this->signIn('lead');
        $this->ask('DELETE', '/api/session', null, 204);
        $this->ask('GET', '/api/overview', null, 401);
    }

    public function testTheFirstLeadIsMadeOnceOnAnEmptyStart(): void
    {
        $body = ['name' => 'first', 'displayName' => 'First', 'password' => 'long enough'];
        $this->ask('POST', '/api/first-lead', $body, 409);
        $this->database()->executeStatement('DELETE FROM user_account');
        self::assertTrue($this->ask('GET', '/api/session', null, 200)['needsFirstLead']);
        $this->ask('POST', '/api/first-lead', ['password' => 'short'] + $body, 422);
        $this->ask('POST', '/api/first-lead', $body, 201);
        self::assertSame('lead', $this->ask('POST', '/api/session', ['name' => 'first', 'password' => 'long enough'], 200)['user']['role']);
    }

    public function testThePageCarriesAStrictPolicy(): void
    {
        $this->browser->request('GET', '/choose');
        $response = $this->browser->getResponse();
        self::assertSame(200, $response->getStatusCode());
        $policy = (string) $response->headers->get('Content-Security-Policy');
        self::assertStringContainsString("default-src 'none'", $policy);
        self::assertStringNotContainsString('unsafe', $policy);
        self::assertMatchesRegularExpression("/script-src 'self' 'nonce-([0-9a-f]{32})'/", $policy);
        preg_match("/'nonce-([0-9a-f]{32})'/", $policy, $found);
        self::assertStringContainsString('nonce="'.($found[1] ?? '').'"', (string) $response->getContent());
        self::assertSame('nosniff', $response->headers->get('X-Content-Type-Options'));
    }

    /** Whatever a device asks for, the answer is one: figures as it writes them, words in a language there are words in. */
    #[TestWith(['de-DE,de;q=0.9', '60,5'])]
    #[TestWith(['en-GB', '60.5'])]
    #[TestWith(['*', '60.5'])]
    #[TestWith(['../../etc', '60.5'])]
    #[TestWith(['xx-'.self::LONG, '60.5'])]
    public function testAnyDeviceIsAnswered(string $asks, string $figure): void
    {
        $this->signIn('technician');
        $this->browser->setServerParameter('HTTP_ACCEPT_LANGUAGE', $asks);
        $printer = $this->pick('/api/printers', 'name', 'North bay')['id'];
        $choice = $this->ask('POST', '/api/choose', ['materialId' => 'pla', 'printerId' => $printer, 'lotId' => null, 'roomC' => 20, 'partCount' => 1, 'jobMinutes' => null, 'bedC' => 60.5], 200);
        $said = json_encode($choice, \JSON_UNESCAPED_UNICODE | \JSON_THROW_ON_ERROR);
        self::assertStringContainsString($figure."\u{00A0}°C", $said);
        self::assertStringContainsString('Practice: PLA on', $said);
    }
}
