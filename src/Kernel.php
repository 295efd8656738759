<?php

declare(strict_types=1);

namespace App;

use App\Platform\Environment;
use Symfony\Bundle\FrameworkBundle\Kernel\MicroKernelTrait;
use Symfony\Component\HttpKernel\Kernel as BaseKernel;

/** The application's kernel; caches and logs go to the data folder, so that two copies run side by side. */
final class Kernel extends BaseKernel
{
    use MicroKernelTrait;

    public function getCacheDir(): string
    {
        return Environment::dataDirectory().'/cache/'.$this->environment.Environment::whose();
    }

    public function getBuildDir(): string
    {
        return $this->getCacheDir();
    }

    public function getLogDir(): string
    {
        return Environment::dataDirectory().'/log/'.('prod' === $this->environment ? 'app' : $this->environment).Environment::whose();
    }
}
