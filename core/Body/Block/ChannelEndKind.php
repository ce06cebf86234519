<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

enum ChannelEndKind
{
    /** It comes out of a flat face. */
    case Open;

    /** It ends in the block, farther from every face than it cuts beyond its end. */
    case Blind;

    /** It comes out over an edge of a face: found as well. */
    case OverEdge;

    /** It comes out at a slant where it still bends. */
    case InBend;

    /** It comes out of what is no flat face: where exactly, is found on triangles. */
    case Found;

    /** Its last bend is not in the block. */
    case Outside;

    public function isFound(): bool
    {
        return $this === self::Found || $this === self::OverEdge;
    }
}
