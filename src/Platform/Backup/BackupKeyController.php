<?php

declare(strict_types=1);

namespace App\Platform\Backup;

use App\Platform\Contract\Contract;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** Whether the key of the backups was written down, for leads. */
final readonly class BackupKeyController
{
    public function __construct(private KnownKey $key, private Contract $contract, private EntityManagerInterface $entities)
    {
    }

    #[Route('/api/backup-key', name: 'getBackupKey', methods: ['GET'])]
    public function state(): Answer
    {
        return new Answer($this->key->state() ?? ['id' => null, 'state' => 'none', 'writtenDownOn' => null]);
    }

    #[Route('/api/backup-key', name: 'confirmBackupKey', methods: ['POST'])]
    public function confirm(Request $request): Answer
    {
        $lastGroup = (string) $this->contract->body($request)['lastGroup'];
        if (!$this->key->writtenDown($lastGroup)) {
            throw Problem::invalid('lastGroup', 'The key ends otherwise. Type the last four signs of what you wrote down.');
        }
        $this->entities->flush();

        return $this->state();
    }
}
