<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Space\DividedSurface;
use Bowline\Space\SignedDistance;
use Closure;
use JsonSerializable;

/**
 * The triangles of a mesh as a job file carries them: text there, read from storage on first use while a job is open.
 */
final class MeshTriangles implements JsonSerializable
{
    /** Rounding of an extent, mm. */
    private const ROUNDED = 0.1;

    /** Bytes beyond which a surface is divided where it is asked about as a whole: 100,000 triangles. */
    public const DIVIDED_ABOVE = 100_000 * Triangles::SIZE;

    private ?SignedDistance $surface = null;

    private ?DividedSurface $divided = null;

    private bool $isLookedAt = false;

    /** @var list<float> of where the surface was taken */
    private array $about = [];

    /**
     * @param  Closure(): string  $packed  nine 32-bit little-endian floats a triangle, mm
     * @param  Triangles|null  $read  the same, where they have been read already
     * @param  (Closure(): ?DividedSurface)|null  $kept  their surface as it was kept divided; null of what is none
     */
    public function __construct(
        private readonly Closure $packed,
        private readonly ?Triangles $read = null,
        private readonly ?Closure $kept = null,
    ) {
    }

    /** @throws JobError when they cannot be read */
    public static function read(Node $node): self
    {
        if ($node->value instanceof self) {
            return $node->value;
        }
        $packed = base64_decode($node->text(), true);
        if ($packed === false || $packed === '' || strlen($packed) % Triangles::SIZE !== 0) {
            throw $node->error('the triangles of a mesh are nine 32-bit floats each, in base64');
        }
        try {
            $read = Triangles::of($packed);
        } catch (JobError $error) {
            throw $node->error($error->getMessage());
        }

        return new self(static fn (): string => $packed, $read);
    }

    /** Whether they lie within an extent, as far as they have been read; an unread mesh has only its stated extent. */
    public function isWithin(Vector $least, Vector $most): bool
    {
        $parts = $this->read === null ? [] : [$this->read->least->minus($least), $most->minus($this->read->most)];

        return min([
            0.0,
            ...array_merge(...array_map(static fn (Vector $part): array => $part->toArray(), $parts), ...[[]]),
        ]) > -self::ROUNDED;
    }

    public function packed(): string
    {
        return ($this->packed)();
    }

    /** @throws JobError when they are none */
    public function triangles(): Triangles
    {
        return $this->read ?? Triangles::of($this->packed());
    }

    /** Returns their surface in its own frame, at least near the region of interest. */
    public function surface(Vector $least, Vector $most): SignedDistance
    {
        $about = [...$least->toArray(), ...$most->toArray()];
        if ($this->surface === null || ($this->about !== $about && ! $this->surface->isWhole())) {
            $this->about = $about;
            $this->surface = SignedDistance::of($this->packed(), $least, $most);
        }

        return $this->surface;
    }

    /**
     * Returns the distance of a point from all of it, as `DividedSurface::outside` does.
     *
     * @param  Vector  $least  lowest corner of its extent
     * @param  Vector  $most  highest corner
     * @return array{float, float, float, float}
     */
    public function outside(float $x, float $y, float $z, float $within, Vector $least, Vector $most): array
    {
        if (! $this->isLookedAt) {
            $this->isLookedAt = true;
            $this->divided = $this->kept === null ? null : ($this->kept)();
            if ($this->divided === null && strlen($this->packed()) > self::DIVIDED_ABOVE) {
                $this->divided = DividedSurface::of($this->packed(), $least, $most);
            }
        }

        return $this->divided?->outside($x, $y, $z, $within)
            ?? $this->surface($least, $most)->outside($x, $y, $z, $within);
    }

    public function jsonSerialize(): string
    {
        return base64_encode($this->packed());
    }

    /** @return array{} what they are is told by the name of the mesh */
    public function __serialize(): array
    {
        return [];
    }
}
