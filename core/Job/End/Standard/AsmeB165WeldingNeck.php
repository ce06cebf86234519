<?php

declare(strict_types=1);

namespace Bowline\Job\End\Standard;

/**
 * ASME B16.5, welding neck flanges with a raised face. Each row: NPS, outside diameter of the pipe (ASME B36.10M),
 * outside diameter, bolt circle, diameter of the holes (inch sizes in mm), their number, least thickness with the
 * raised face, diameter of the raised face, diameter of the hub, length through the hub. No fillet is dimensioned.
 */
final readonly class AsmeB165WeldingNeck implements FlangeTable
{
    private const ROWS = [
        'class 150' => [
            ['1/2', 21.3, 90, 60.3, 15.9, 4, 9.6, 34.9, 30, 46],
            ['3/4', 26.7, 100, 69.9, 15.9, 4, 11.2, 42.9, 38, 51],
            ['1', 33.4, 110, 79.4, 15.9, 4, 12.7, 50.8, 49, 54],
            ['1 1/4', 42.2, 115, 88.9, 15.9, 4, 14.3, 63.5, 59, 56],
            ['1 1/2', 48.3, 125, 98.4, 15.9, 4, 15.9, 73.0, 65, 60],
            ['2', 60.3, 150, 120.7, 19.1, 4, 17.5, 92.1, 78, 62],
            ['2 1/2', 73.0, 180, 139.7, 19.1, 4, 20.7, 104.8, 90, 68],
            ['3', 88.9, 190, 152.4, 19.1, 4, 22.3, 127.0, 108, 68],
            ['3 1/2', 101.6, 215, 177.8, 19.1, 8, 22.3, 139.7, 122, 70],
            ['4', 114.3, 230, 190.5, 19.1, 8, 22.3, 157.2, 135, 75],
            ['5', 141.3, 255, 215.9, 22.2, 8, 22.3, 185.7, 164, 87],
            ['6', 168.3, 280, 241.3, 22.2, 8, 23.9, 215.9, 192, 87],
            ['8', 219.1, 345, 298.5, 22.2, 8, 27.0, 269.9, 246, 100],
            ['10', 273.0, 405, 362.0, 25.4, 12, 28.6, 323.8, 305, 100],
            ['12', 323.8, 485, 431.8, 25.4, 12, 30.2, 381.0, 365, 113],
        ],
        'class 300' => [
            ['1/2', 21.3, 95, 66.7, 15.9, 4, 12.7, 34.9, 38, 51],
            ['3/4', 26.7, 115, 82.6, 19.1, 4, 14.3, 42.9, 48, 56],
            ['1', 33.4, 125, 88.9, 19.1, 4, 15.9, 50.8, 54, 60],
            ['1 1/4', 42.2, 135, 98.4, 19.1, 4, 17.5, 63.5, 64, 64],
            ['1 1/2', 48.3, 155, 114.3, 22.2, 4, 19.1, 73.0, 70, 67],
            ['2', 60.3, 165, 127.0, 19.1, 8, 20.7, 92.1, 84, 68],
            ['2 1/2', 73.0, 190, 149.2, 22.2, 8, 23.9, 104.8, 100, 75],
            ['3', 88.9, 210, 168.3, 22.2, 8, 27.0, 127.0, 117, 78],
            ['3 1/2', 101.6, 230, 184.2, 22.2, 8, 28.6, 139.7, 133, 79],
            ['4', 114.3, 255, 200.0, 22.2, 8, 30.2, 157.2, 146, 84],
            ['5', 141.3, 280, 235.0, 22.2, 8, 33.4, 185.7, 178, 97],
            ['6', 168.3, 320, 269.9, 22.2, 12, 35.0, 215.9, 206, 97],
            ['8', 219.1, 380, 330.2, 25.4, 12, 39.7, 269.9, 260, 110],
            ['10', 273.0, 445, 387.4, 28.6, 16, 46.1, 323.8, 321, 116],
            ['12', 323.8, 520, 450.8, 31.8, 16, 49.3, 381.0, 375, 129],
        ],
    ];

    /** Height of the raised face, mm (0.06 in). */
    private const RAISED_BY = 2.0;

    /** @param  key-of<self::ROWS>  $rating */
    public function __construct(private string $rating)
    {
    }

    public function name(): string
    {
        return 'ASME B16.5 '.$this->rating;
    }

    public function sizes(): array
    {
        return array_map(static function (array $row): FlangeSize {
            [$nps, $tube, $od, $circle, $hole, $holes, $thickness, $raised, $hub, $height] = $row;

            return new FlangeSize(
                'NPS '.$nps, $tube, $od, $circle, $hole, $holes, $thickness, null, $raised, self::RAISED_BY, $hub,
                $height, 0.0, 0.0,
            );
        }, self::ROWS[$this->rating]);
    }
}
