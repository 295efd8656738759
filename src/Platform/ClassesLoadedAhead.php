<?php

declare(strict_types=1);

namespace App\Platform;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpKernel\CacheWarmer\CacheWarmerInterface;

/**
 * Has PHP load, once at its start, what answers are made of: loaded with each request, it was a fifth of the cheap ones. What
 * the container itself creates is known to the framework; the values of the core and what lies beneath the database are not.
 */
final readonly class ClassesLoadedAhead implements CacheWarmerInterface
{
    private const OF = ['App\\', 'Sitzplatz\\', 'Doctrine\\DBAL\\', 'Doctrine\\ORM\\', 'Doctrine\\Persistence\\', 'Doctrine\\Instantiator\\', 'Opis\\'];
    private const TESTS = 'Sitzplatz\\Tests\\';

    public function __construct(#[Autowire(param: 'kernel.project_dir')] private string $projectDir)
    {
    }

    public function isOptional(): bool
    {
        return true;
    }

    /** @return list<string> */
    public function warmUp(string $cacheDir, ?string $buildDir = null): array
    {
        /** @var array<string, string> $files by class, as Composer wrote them down */
        $files = require $this->projectDir.'/vendor/composer/autoload_classmap.php';

        return array_values(array_filter(
            array_keys($files),
            static fn (string $class): bool => !str_starts_with($class, self::TESTS)
                && [] !== array_filter(self::OF, static fn (string $of): bool => str_starts_with($class, $of)),
        ));
    }
}
