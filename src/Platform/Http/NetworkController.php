<?php

declare(strict_types=1);

namespace App\Platform\Http;

use Symfony\Component\Routing\Attribute\Route;

/** Where tablets and phones reach the app, and by which fingerprint they come to trust it. */
final readonly class NetworkController
{
    public function __construct(private string $networkAddress, private string $networkFingerprint)
    {
    }

    #[Route('/api/network', name: 'getNetwork', methods: ['GET'])]
    public function network(): Answer
    {
        return new Answer([
            'address' => '' === $this->networkAddress ? null : $this->networkAddress,
            'fingerprint' => '' === $this->networkFingerprint ? null : $this->networkFingerprint,
        ]);
    }
}
