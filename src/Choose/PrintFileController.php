<?php

declare(strict_types=1);

namespace App\Choose;

use App\Platform\Audit;
use App\Platform\Database\StoredEdit;
use App\Platform\Database\Transaction;
use App\Platform\Http\Answer;
use App\Platform\Http\Problem;
use App\Test\Run;
use Doctrine\ORM\EntityManagerInterface;
use Sitzplatz\Shape\PartShape;
use Sitzplatz\Shape\Piece\SectionModulus;
use Sitzplatz\Test\FileCheck;
use Sitzplatz\Test\FileSettings;
use Sitzplatz\Test\Life\RunStatus;
use Sitzplatz\Words\Sentence;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** The file of a plan, and the one that is about to be printed: what they set, and whether they are the same. */
final readonly class PrintFileController
{
    /** Words by which a plan says that there is no brim. */
    private const NO_BRIM = ['', 'none', 'no', '0'];

    public function __construct(
        private EntityManagerInterface $entities,
        private StoredEdit $edit,
        private PartUpload $upload,
        private Transaction $transaction,
        private Audit $audit,
    ) {
    }

    /** What a plan takes from a file: of G-code its settings, of a model its contact and how it resists being tipped. */
    #[Route('/api/plans/file', name: 'readPlanFile', methods: ['POST'])]
    public function plan(Request $request): Answer
    {
        [$shape, $digest] = $this->upload->read($request);
        $section = SectionModulus::of($shape->patch);
        $first = $shape->firstLayer;

        return new Answer([
            'digest' => $digest,
            'piece' => [
                'alongPullMm' => $shape->widthMm,
                'acrossPullMm' => $shape->depthMm,
                'contactAreaMm2' => $shape->patch->areaMm2,
                'sectionMm3' => $section->alongXMm3,
                'heightMm' => $shape->heightMm,
            ],
            'settings' => null === $first ? null : [
                'bedFirstC' => $first->bedC,
                'bedOtherC' => $first->bedLaterC,
                'nozzleFirstC' => $first->nozzleC,
                'firstLayerSpeedMmS' => $first->speedMmS,
                'lineWidthMm' => $first->lineWidthMm,
                'brim' => $first->brim,
            ],
        ]);
    }

    /** Holds the file that is about to be printed against the plan; that it was looked at stays with the run. */
    #[Route('/api/runs/{id}/file', name: 'checkFile', methods: ['POST'])]
    public function check(string $id, Request $request): Answer
    {
        $run = $this->edit->find(Run::class, $id);
        if (!$run->status->open()) {
            throw Problem::invalid('', Sentence::of('run.finished'), 409);
        }
        [$shape, $digest] = $this->upload->read($request);
        $settings = self::settings($shape);
        $check = $this->transaction->run(function () use ($id, $digest, $settings): FileCheck {
            $run = $this->edit->locked(Run::class, $id);
            $check = FileCheck::of(self::planned($run), $digest, $settings, self::wanted($run));
            if ($run->fileDigest !== $digest) {
                $run->fileDigest = $digest;
                $this->audit->note('file looked at', $run->id, ['digest' => $digest, 'same' => $check->same]);
            }
            $this->entities->flush();

            return $check;
        });

        return new Answer(['same' => $check->same, 'begun' => RunStatus::Planned !== $run->status, 'differs' => $check->differs]);
    }

    private static function planned(Run $run): ?string
    {
        $file = $run->comparison->constants['file'] ?? null;

        return \is_array($file) && \is_string($file['digest'] ?? null) ? $file['digest'] : null;
    }

    /** @throws Problem if the file prints nothing */
    private static function settings(PartShape $shape): FileSettings
    {
        $first = $shape->firstLayer ?? throw Problem::invalid('file', Sentence::of('file.no_print'));

        return new FileSettings($first->bedC, $first->bedLaterC, $first->nozzleC, $first->speedMmS, $first->lineWidthMm, $first->brim);
    }

    private static function wanted(Run $run): FileSettings
    {
        $setup = $run->setup;
        $width = $run->comparison->constants['lineWidthMm'] ?? null;

        return new FileSettings(
            $setup->bedFirstC,
            $setup->bedOtherC,
            $setup->nozzleFirstC,
            $setup->speedMmS,
            is_numeric($width) ? (float) $width : null,
            !\in_array(mb_strtolower(trim($setup->brim)), self::NO_BRIM, true),
        );
    }
}
