<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\Torture;

use Sitzplatz\Tests\OperationRoles;

/** Every operation of the contract in every role, over the wire: open to who it is for, and to nobody else. */
final class RolesPart implements Part
{
    private const ID = '01a21069-0d5e-7462-8f3a-38958df615d9';
    private const SHORT = 3;
    /** What ends the session that asks. */
    private const LAST = ['closeSession', 'openSession', 'openDemoSession', 'createFirstLead'];

    public function name(): string
    {
        return 'roles';
    }

    public function run(Rig $rig): array
    {
        $asked = $wrong = $broken = 0;
        foreach (['nobody', 'viewer', 'technician', 'lead'] as $role) {
            $client = 'nobody' === $role ? new Client($rig->base()) : $rig->client($role);
            foreach (array_values([...OperationRoles::all($rig->root)]) as $i => [$operation, $method, $path]) {
                // The tests of the app ask for all of them without the wire.
                if (\in_array($operation, self::LAST, true) || ($rig->short && $rig->sizes['seed'] % self::SHORT !== $i % self::SHORT)) {
                    continue;
                }
                do {
                    [$status] = $client->send($method, str_replace('{id}', self::ID, $path), 'GET' === $method ? null : '{}');
                    // Too much at once is no answer to the question.
                    429 !== $status || usleep(200_000);
                } while (429 === $status);
                ++$asked;
                $open = OperationRoles::isOpen($operation, $method, $role);
                $wrong += \in_array($status, [401, 403], true) === $open ? 1 : 0;
                $broken += $status >= 500 || 0 === $status ? 1 : 0;
            }
        }

        return [
            new Outcome('operations asked in four roles', (string) $asked, $rig->short ? 'a third' : 'all', $asked > ($rig->short ? 130 : 400)),
            Outcome::none('open to the wrong or closed to the right', $wrong),
            Outcome::none('answered with 5xx', $broken),
        ];
    }
}
