<?php

declare(strict_types=1);

namespace App\Bench;

use Sitzplatz\Choose\Request\FootholdAdvice;
use Sitzplatz\Choose\Request\PartFacts;
use Sitzplatz\Shape\BadShape;
use Sitzplatz\Shape\ShapeFile;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Every file is read or refused in words, within bounds of time and memory. */
#[AsCommand('sitzplatz:fuzz-shapes', 'Reads spoilt files of parts, by a seed, and says what broke, how long it took and how much memory')]
final class FuzzShapesCommand extends Command
{
    private const LONGEST_SECONDS = 5.0;
    private const MOST_BYTES = 64 << 20;

    protected function configure(): void
    {
        $this->addOption('inputs', null, InputOption::VALUE_REQUIRED, 'how many', '100000')
            ->addOption('seed', null, InputOption::VALUE_REQUIRED, 'of the spoiling', '1');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $inputs = new ShapeInputs((int) $input->getOption('seed'));
        $count = (int) $input->getOption('inputs');
        $read = $refused = $broken = 0;
        $slowest = $most = 0.0;
        for ($i = 0; $i < $count; ++$i) {
            $each = $inputs->next();
            $before = memory_get_usage();
            memory_reset_peak_usage();
            $began = self::processorSeconds();
            try {
                $bytes = static fn (): HeldBytes => new HeldBytes($each['bytes']);
                $shape = ShapeFile::read($each['model'] ? new HeldBytes("PK\x03\x04".str_repeat("\0", 80)) : $bytes(), $bytes);
                $part = PartFacts::ofShape($shape);
                FootholdAdvice::for($part, PartFacts::partsIn($shape));
                PartFacts::footholdIn($shape);
                json_encode([$part, $shape->widthMm, $shape->depthMm, $shape->heightMm, $shape->volumeMm3], \JSON_THROW_ON_ERROR);
                ++$read;
            } catch (BadShape) {
                ++$refused;
            } catch (\Throwable $fault) {
                ++$broken;
                $output->writeln(\sprintf(
                    'input %d: %s: %s in %s:%d',
                    $i,
                    $fault::class,
                    $fault->getMessage(),
                    basename($fault->getFile()),
                    $fault->getLine(),
                ));
            }
            $seconds = self::processorSeconds() - $began;
            $taken = memory_get_peak_usage() - $before;
            if ($seconds > self::LONGEST_SECONDS || $taken > self::MOST_BYTES) {
                ++$broken;
                $output->writeln(\sprintf(
                    'input %d (%s): %.1f s, %.0f MB',
                    $i,
                    $each['model'] ? 'model' : substr($each['bytes'], 0, 5),
                    $seconds,
                    $taken / (1 << 20),
                ));
            }
            $slowest = max($slowest, $seconds);
            $most = max($most, $taken);
        }
        $output->writeln(\sprintf(
            '%d inputs: %d read, %d refused in words, %d broken; slowest %.2f s, most memory %.0f MB',
            $count,
            $read,
            $refused,
            $broken,
            $slowest,
            $most / (1 << 20),
        ));

        return 0 === $broken ? Command::SUCCESS : Command::FAILURE;
    }

    /** Of this process: a busy machine does not count against a file. */
    private static function processorSeconds(): float
    {
        /** @var array<string, int> $used */
        $used = getrusage() ?: [];

        return $used['ru_utime.tv_sec'] + $used['ru_stime.tv_sec'] + ($used['ru_utime.tv_usec'] + $used['ru_stime.tv_usec']) / 1e6;
    }
}
