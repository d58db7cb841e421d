using System.Buffers.Binary;

namespace SideBench.Devices.Pictures;

/// <summary>What a picture's file says of its resolution: a scanner writes it, a phone does not.</summary>
public static class PictureResolution
{
    private const double InchM = 0.0254;
    private const double InchCm = 2.54;
    private const double LeastDpi = 100;
    private const double MostDpi = 2400;

    /// <summary>Dots to an inch; null when the file says none that a scanner would write.</summary>
    /// <param name="bytes">The file, JPEG or PNG.</param>
    public static double? Dpi(ReadOnlySpan<byte> bytes)
    {
        var dpi =
            bytes is [0xFF, 0xD8, ..] ? Jpeg(bytes)
            : bytes is [0x89, 0x50, 0x4E, 0x47, ..] ? Png(bytes)
            : null;
        return dpi is >= LeastDpi and <= MostDpi ? dpi : null;
    }

    // The JFIF header stands first: density as dots to an inch (1) or to a centimetre (2).
    private static double? Jpeg(ReadOnlySpan<byte> bytes)
    {
        if (bytes.Length < 18 || !bytes[2..4].SequenceEqual((ReadOnlySpan<byte>)[0xFF, 0xE0]) || !bytes[6..10].SequenceEqual("JFIF"u8))
            return null;
        double density = BinaryPrimitives.ReadUInt16BigEndian(bytes[14..]);
        return bytes[13] switch
        {
            1 => density,
            2 => density * InchCm,
            _ => null,
        };
    }

    // A pHYs chunk stands before the pixels: dots to a metre.
    private static double? Png(ReadOnlySpan<byte> bytes)
    {
        for (var at = 8; at + 12 <= bytes.Length; )
        {
            var length = BinaryPrimitives.ReadUInt32BigEndian(bytes[at..]);
            var kind = bytes.Slice(at + 4, 4);
            if (kind.SequenceEqual("IDAT"u8) || length > bytes.Length - at - 12)
                return null;
            if (kind.SequenceEqual("pHYs"u8) && length == 9)
                return bytes[at + 16] == 1 ? BinaryPrimitives.ReadUInt32BigEndian(bytes[(at + 8)..]) * InchM : null;
            at += (int)length + 12;
        }

        return null;
    }
}
