<?php

declare(strict_types=1);

namespace Sitzplatz\Tests\App;

use App\Platform\Database\Transaction;
use Doctrine\DBAL\Exception\DriverException;
use Symfony\Component\Uid\Uuid;

/** Whole or not at all, also where the server has ended a transaction with the savepoint in it, as after a deadlock. */
final class TransactionTest extends ApiTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->database()->rollBack();
    }

    protected function tearDown(): void
    {
        $this->database()->executeStatement("DELETE FROM created_key WHERE kind = 'drill'");
        $this->database()->beginTransaction();
        parent::tearDown();
    }

    public function testWhatIsTriedAgainAfterADeadlockIsStillWrittenWholeOrNotAtAll(): void
    {
        $tries = 0;
        $said = '';
        try {
            $this->transaction()->run(function () use (&$tries): void {
                if (1 === ++$tries) {
                    $this->lockedOutWithinASavepoint();
                }
                $this->note();
                throw new \DomainException('Something else is wrong.');
            });
        } catch (\DomainException $wrong) {
            $said = $wrong->getMessage();
        }
        self::assertSame([2, 'Something else is wrong.'], [$tries, $said]);
        self::assertSame(0, $this->noted(), 'The half of it was written.');
        self::assertFalse($this->database()->isTransactionActive());
    }

    public function testWhatSucceedsAtTheSecondTryIsThere(): void
    {
        $tries = 0;
        $this->transaction()->run(function () use (&$tries): void {
            $this->note();
            if (1 === ++$tries) {
                $this->lockedOutWithinASavepoint();
            }
        });
        self::assertSame(2, $tries);
        self::assertSame(1, $this->noted());
        self::assertFalse($this->database()->isTransactionActive());
    }

    /** Where the connection is gone in the middle there is nothing to roll back, and the fault that is told is that it is gone. */
    public function testAConnectionThatIsLostIsToldAndTheNextWorkHasAnother(): void
    {
        try {
            $this->transaction()->run(function (): void {
                $this->note();
                $this->database()->executeStatement('KILL CONNECTION_ID()');
                $this->note();
            });
            self::fail('It went on.');
        } catch (DriverException $gone) {
            self::assertContains($gone->getCode(), [1317, 1927, 2006, 2013]);
        }
        self::assertFalse($this->database()->isTransactionActive());
        $this->transaction()->run($this->note(...));
        self::assertSame(1, $this->noted());
    }

    /** As a flush in it is, when the server gives way to another transaction. */
    private function lockedOutWithinASavepoint(): void
    {
        $this->database()->beginTransaction();
        $this->database()->executeStatement('ROLLBACK');
        $this->database()->rollBack();
    }

    private function note(): void
    {
        $this->database()->insert('created_key', ['id' => Uuid::v7()->toBinary(), 'kind' => 'drill', 'digest' => '']);
    }

    private function noted(): int
    {
        return (int) $this->database()->fetchOne("SELECT COUNT(*) FROM created_key WHERE kind = 'drill'");
    }

    private function transaction(): Transaction
    {
        $transaction = self::getContainer()->get(Transaction::class);
        self::assertInstanceOf(Transaction::class, $transaction);

        return $transaction;
    }
}
