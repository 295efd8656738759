<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Http\Problem;
use Doctrine\DBAL\Connection;

/** That there is one lead at least, and that the first one is made once; also where two act at the same moment. */
final readonly class Leads
{
    private const FIRST = 'sitzplatz.first-lead';
    private const LOCK_SECONDS = 10;

    public function __construct(private Connection $database)
    {
    }

    /**
     * Within a transaction: all accounts are kept from others until it ends.
     *
     * @throws Problem if nobody would be left to lead
     */
    public function staysOneBeside(User $leaving): void
    {
        $others = $this->database->fetchOne(
            'SELECT COUNT(*) FROM user_account WHERE role = ? AND active = 1 AND id <> ? FOR UPDATE',
            [Role::Lead->value, $leaving->id->toBinary()],
        );
        if (0 === (is_numeric($others) ? (int) $others : 0)) {
            throw Problem::invalid('role', 'This is the only lead. Make somebody else a lead first.', 409);
        }
    }

    /**
     * One after the other, where many try at once: no row is there yet that could be locked.
     *
     * @template T
     *
     * @param \Closure(): T $make
     *
     * @return T
     *
     * @throws Problem if there is any account
     */
    public function first(\Closure $make): mixed
    {
        if (1 !== (int) $this->database->fetchOne('SELECT GET_LOCK(?, ?)', [self::FIRST, self::LOCK_SECONDS])) {
            throw Problem::busy();
        }
        try {
            $all = $this->database->fetchOne('SELECT COUNT(*) FROM user_account');
            if (0 !== (is_numeric($all) ? (int) $all : 0)) {
                throw Problem::invalid('', 'There is an account already. Sign in, or ask a lead for one.', 409);
            }

            return $make();
        } finally {
            $this->database->fetchOne('SELECT RELEASE_LOCK(?)', [self::FIRST]);
        }
    }
}
