using SideBench.Core.Nozzles;
using SideBench.Core.Outcomes;
using SideBench.Devices.Pictures;
using SkiaSharp;
using Xunit;

namespace SideBench.Devices.Tests;

public class PictureCodecTests
{
    [Fact]
    public void Png_ComesBackToTheByte()
    {
        var image = Corners(7, 5);
        Assert.Equal(image.Rgb, PictureCodec.Read(PictureCodec.Png(image)).Value.Rgb);
    }

    // The picture is stored turned and says how to hold it; each way must bring the red corner back to the top left.
    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(5)]
    [InlineData(6)]
    [InlineData(7)]
    [InlineData(8)]
    public void ExifOrientation_IsHonoured(int orientation)
    {
        var upright = Corners(64, 48);
        var read = PictureCodec.Read(WithExif(PictureCodec.Jpeg(Stored(upright, orientation), 98), orientation)).Value;
        Assert.Equal((64, 48), (read.Width, read.Height));
        Assert.Equal(("red", "green", "blue"), (Colour(read, 8, 6), Colour(read, 56, 6), Colour(read, 8, 42)));
    }

    [Fact]
    public void PaletteAndSeeThrough_AreReadOnWhite()
    {
        using var bitmap = new SKBitmap(new SKImageInfo(4, 4, SKColorType.Rgba8888, SKAlphaType.Unpremul));
        bitmap.Erase(new SKColor(0, 0, 0, 0));
        using var png = bitmap.Encode(SKEncodedImageFormat.Png, 100);
        Assert.All(PictureCodec.Read(png.ToArray()).Value.Rgb, level => Assert.Equal(255, level));
    }

    [Fact]
    public void SixteenBits_AreReadAsEight()
    {
        using var bitmap = new SKBitmap(new SKImageInfo(3, 2, SKColorType.Rgba16161616, SKAlphaType.Opaque));
        using (var canvas = new SKCanvas(bitmap))
            canvas.Clear(new SKColor(200, 100, 50));
        using var png = bitmap.Encode(SKEncodedImageFormat.Png, 100);
        var read = PictureCodec.Read(png.ToArray()).Value;
        Assert.InRange(read.Rgb[0], 199, 201);
        Assert.InRange(read.Rgb[2], 49, 51);
    }

    [Fact]
    public void BadFiles_AreEachRefusedForWhatTheyAre()
    {
        Assert.Equal(ProblemCode.PictureEmpty, Problem([]));
        Assert.Equal(ProblemCode.PictureUnknown, Problem("%PDF-1.7 not a picture, called sheet.jpg"u8.ToArray()));
        var jpeg = PictureCodec.Jpeg(Corners(640, 480), 80);
        Assert.Equal(ProblemCode.PictureBroken, Problem(jpeg[..(jpeg.Length / 3)]));
        Assert.Equal(ProblemCode.PictureUnknown, Problem(jpeg[..3]));
        Assert.Equal(ProblemCode.PictureTooLarge, Problem(new byte[PictureCodec.MostBytes + 1]));
    }

    [Fact]
    public void BombOfPixels_IsRefusedByItsHeader_BeforeItIsUnpacked()
    {
        // A header that speaks of 20,000 × 10,000 pixels, with next to nothing behind it.
        var png = PictureCodec.Png(Corners(4, 4));
        WriteBigEndian(png, 16, 20_000);
        WriteBigEndian(png, 20, 10_000);
        WriteBigEndian(png, 29, Crc(png.AsSpan(12, 17)));
        var problem = Assert.Single(PictureCodec.Read(png).Problems);
        Assert.Equal((ProblemCode.PictureTooManyPixels, 20_000, 10_000), (problem.Code, problem.Args[0], problem.Args[1]));
    }

    private static ProblemCode Problem(byte[] bytes) => Assert.Single(PictureCodec.Read(bytes).Problems).Code;

    // Red at the top left, green at the top right, blue at the bottom left, white elsewhere.
    private static PixelImage Corners(int width, int height)
    {
        var rgb = Enumerable.Repeat((byte)255, width * height * 3).ToArray();
        for (var y = 0; y < height; y++)
        {
            for (var x = 0; x < width; x++)
            {
                var (left, top) = (x < width / 2, y < height / 2);
                var at = ((y * width) + x) * 3;
                if (left && top)
                    (rgb[at + 1], rgb[at + 2]) = (0, 0);
                else if (top)
                    (rgb[at], rgb[at + 2]) = (0, 0);
                else if (left)
                    (rgb[at], rgb[at + 1]) = (0, 0);
            }
        }

        return new PixelImage(width, height, rgb);
    }

    // How a camera stores an upright picture under an orientation: by the standard's own words for each.
    private static PixelImage Stored(PixelImage upright, int orientation)
    {
        var (w, h) = orientation >= 5 ? (upright.Height, upright.Width) : (upright.Width, upright.Height);
        var rgb = new byte[w * h * 3];
        for (var y = 0; y < h; y++)
        {
            for (var x = 0; x < w; x++)
            {
                // Where the stored pixel belongs: row 0 and column 0 lie at the side the orientation names.
                var (ux, uy) = orientation switch
                {
                    1 => (x, y),
                    2 => (w - 1 - x, y),
                    3 => (w - 1 - x, h - 1 - y),
                    4 => (x, h - 1 - y),
                    5 => (y, x),
                    6 => (h - 1 - y, x),
                    7 => (h - 1 - y, w - 1 - x),
                    _ => (y, w - 1 - x),
                };
                for (var c = 0; c < 3; c++)
                    rgb[(((y * w) + x) * 3) + c] = upright.Rgb[(((uy * upright.Width) + ux) * 3) + c];
            }
        }

        return new PixelImage(w, h, rgb);
    }

    private static string Colour(PixelImage image, int x, int y)
    {
        var at = ((y * image.Width) + x) * 3;
        var (r, g, b) = (image.Rgb[at] > 128, image.Rgb[at + 1] > 128, image.Rgb[at + 2] > 128);
        return (r, g, b) switch
        {
            (true, false, false) => "red",
            (false, true, false) => "green",
            (false, false, true) => "blue",
            _ => "other",
        };
    }

    // Puts an EXIF block with only the orientation behind the start of a JPEG.
    private static byte[] WithExif(byte[] jpeg, int orientation)
    {
        byte[] exif =
        [
            0xFF,
            0xE1,
            0x00,
            0x22,
            (byte)'E',
            (byte)'x',
            (byte)'i',
            (byte)'f',
            0,
            0,
            (byte)'M',
            (byte)'M',
            0,
            42,
            0,
            0,
            0,
            8,
            0,
            1,
            0x01,
            0x12,
            0,
            3,
            0,
            0,
            0,
            1,
            0,
            (byte)orientation,
            0,
            0,
            0,
            0,
            0,
            0,
        ];
        return [.. jpeg[..2], .. exif, .. jpeg[2..]];
    }

    private static void WriteBigEndian(byte[] bytes, int at, uint value) =>
        System.Buffers.Binary.BinaryPrimitives.WriteUInt32BigEndian(bytes.AsSpan(at), value);

    private static uint Crc(ReadOnlySpan<byte> bytes)
    {
        var crc = uint.MaxValue;
        foreach (var b in bytes)
        {
            crc ^= b;
            for (var bit = 0; bit < 8; bit++)
                crc = (crc >> 1) ^ ((crc & 1) * 0xEDB88320u);
        }

        return ~crc;
    }
}
