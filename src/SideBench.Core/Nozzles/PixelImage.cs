namespace SideBench.Core.Nozzles;

/// <summary>A decoded picture, upright: rows from the top, three bytes a pixel (sRGB red, green, blue).</summary>
public sealed class PixelImage
{
    /// <summary>Takes the pixels as they are.</summary>
    /// <param name="width">Pixels across, above 0.</param>
    /// <param name="height">Pixels down, above 0.</param>
    /// <param name="rgb">width × height × 3 bytes.</param>
    public PixelImage(int width, int height, byte[] rgb)
    {
        if (width <= 0 || height <= 0 || rgb.Length != width * height * 3)
            throw new ArgumentException("the pixels do not fit the size");
        (Width, Height, Rgb) = (width, height, rgb);
    }

    /// <summary>Pixels across.</summary>
    public int Width { get; }

    /// <summary>Pixels down.</summary>
    public int Height { get; }

    /// <summary>The bytes, row by row.</summary>
    public byte[] Rgb { get; }

    /// <summary>The mean of every factor × factor square; what is left over at the right and bottom edge is dropped.</summary>
    /// <param name="factor">1 gives the picture itself.</param>
    public PixelImage Shrunk(int factor)
    {
        if (factor <= 1 || Width / factor == 0 || Height / factor == 0)
            return this;
        var (width, height) = (Width / factor, Height / factor);
        var small = new byte[width * height * 3];
        var area = (uint)(factor * factor);
        Parallel.For(
            0,
            height,
            y =>
            {
                Span<uint> sums = stackalloc uint[3];
                var from = y * factor * Width * 3;
                var to = y * width * 3;
                for (var x = 0; x < width; x++, from += factor * 3, to += 3)
                {
                    sums.Clear();
                    for (int row = 0, at = from; row < factor; row++, at += Width * 3)
                    {
                        for (var pixel = 0; pixel < factor * 3; pixel += 3)
                        {
                            sums[0] += Rgb[at + pixel];
                            sums[1] += Rgb[at + pixel + 1];
                            sums[2] += Rgb[at + pixel + 2];
                        }
                    }

                    for (var c = 0; c < 3; c++)
                        small[to + c] = (byte)((sums[c] + (area / 2)) / area);
                }
            }
        );
        return new PixelImage(width, height, small);
    }
}
