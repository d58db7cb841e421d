using SideBench.Core.Nozzles;
using SideBench.Core.Outcomes;
using SkiaSharp;

namespace SideBench.Devices.Pictures;

/// <summary>Pictures in and out: PNG and JPEG, judged by what their bytes say, never by a name or type that came with them.</summary>
public static class PictureCodec
{
    /// <summary>Longest file, bytes.</summary>
    public const int MostBytes = 40 * 1024 * 1024;

    /// <summary>Most pixels, millions: a 600 dpi scan of A4 has 35.</summary>
    public const int MostMegapixels = 60;

    /// <summary>Reads a picture upright, its EXIF orientation honoured and everything else beside the pixels dropped.</summary>
    /// <param name="bytes">The file.</param>
    public static Outcome<PixelImage> Read(byte[] bytes)
    {
        if (bytes.Length == 0)
            return new Problem(ProblemCode.PictureEmpty, "/image");
        if (bytes.Length > MostBytes)
            return new Problem(ProblemCode.PictureTooLarge, "/image", bytes.Length / 1024 / 1024, MostBytes / 1024 / 1024);
        using var data = SKData.CreateCopy(bytes);
        using var codec = SKCodec.Create(data);
        if (codec is null || codec.EncodedFormat is not (SKEncodedImageFormat.Png or SKEncodedImageFormat.Jpeg))
            return new Problem(ProblemCode.PictureUnknown, "/image");
        // The header tells the size; nothing is unpacked before it is known to be bearable.
        var (width, height) = (codec.Info.Width, codec.Info.Height);
        if ((long)width * height > MostMegapixels * 1_000_000L)
            return new Problem(ProblemCode.PictureTooManyPixels, "/image", width, height, MostMegapixels);
        var info = new SKImageInfo(width, height, SKColorType.Rgba8888, SKAlphaType.Unpremul, SKColorSpace.CreateSrgb());
        using var bitmap = new SKBitmap();
        if (!bitmap.TryAllocPixels(info))
            return new Problem(ProblemCode.PictureTooManyPixels, "/image", width, height, MostMegapixels);
        return codec.GetPixels(info, bitmap.GetPixels()) == SKCodecResult.Success
            ? Upright(bitmap, codec.EncodedOrigin)
            : new Problem(ProblemCode.PictureBroken, "/image");
    }

    /// <summary>Writes a picture as JPEG.</summary>
    /// <param name="image">The pixels.</param>
    /// <param name="quality">1 to 100.</param>
    public static byte[] Jpeg(PixelImage image, int quality) => Written(image, SKEncodedImageFormat.Jpeg, quality);

    /// <summary>Writes a picture as PNG.</summary>
    public static byte[] Png(PixelImage image) => Written(image, SKEncodedImageFormat.Png, 100);

    private static byte[] Written(PixelImage image, SKEncodedImageFormat format, int quality)
    {
        using var bitmap = new SKBitmap(new SKImageInfo(image.Width, image.Height, SKColorType.Rgba8888, SKAlphaType.Opaque));
        var pixels = bitmap.GetPixelSpan();
        for (int from = 0, to = 0; from < image.Rgb.Length; from += 3, to += 4)
        {
            (pixels[to], pixels[to + 1], pixels[to + 2], pixels[to + 3]) = (image.Rgb[from], image.Rgb[from + 1], image.Rgb[from + 2], 255);
        }

        using var encoded = bitmap.Encode(format, quality);
        return encoded.ToArray();
    }

    // Turns the stored rows the way the camera was held; what is see-through lies on white.
    private static PixelImage Upright(SKBitmap bitmap, SKEncodedOrigin origin)
    {
        var (w, h) = (bitmap.Width, bitmap.Height);
        var swapped =
            origin is SKEncodedOrigin.LeftTop or SKEncodedOrigin.RightTop or SKEncodedOrigin.RightBottom or SKEncodedOrigin.LeftBottom;
        var (width, height) = swapped ? (h, w) : (w, h);
        var rgb = new byte[width * height * 3];
        var bytes = bitmap.Bytes;
        Parallel.For(
            0,
            height,
            y =>
            {
                var to = y * width * 3;
                for (var x = 0; x < width; x++, to += 3)
                {
                    var (sx, sy) = origin switch
                    {
                        SKEncodedOrigin.TopRight => (w - 1 - x, y),
                        SKEncodedOrigin.BottomRight => (w - 1 - x, h - 1 - y),
                        SKEncodedOrigin.BottomLeft => (x, h - 1 - y),
                        SKEncodedOrigin.LeftTop => (y, x),
                        SKEncodedOrigin.RightTop => (y, h - 1 - x),
                        SKEncodedOrigin.RightBottom => (w - 1 - y, h - 1 - x),
                        SKEncodedOrigin.LeftBottom => (w - 1 - y, x),
                        _ => (x, y),
                    };
                    var from = ((sy * w) + sx) * 4;
                    var alpha = bytes[from + 3];
                    for (var c = 0; c < 3; c++)
                        rgb[to + c] = alpha == 255 ? bytes[from + c] : (byte)(((bytes[from + c] * alpha) + (255 * (255 - alpha))) / 255);
                }
            }
        );
        return new PixelImage(width, height, rgb);
    }
}
