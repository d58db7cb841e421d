using SideBench.Core.Nozzles;
using SideBench.Devices.Pictures;
using Xunit;

namespace SideBench.Devices.Tests;

public class PictureResolutionTests
{
    [Theory]
    [InlineData(1, 300, 300.0)]
    [InlineData(2, 118, 299.72)]
    [InlineData(0, 1, null)]
    [InlineData(1, 72, null)]
    [InlineData(1, 9600, null)]
    public void AScannersJpeg_SaysItsDensity_APhonesSaysNone(byte unit, int density, double? dpi)
    {
        byte[] file = [0xFF, 0xD8, 0xFF, 0xE0, 0, 16, .. "JFIF\0"u8, 1, 1, unit, (byte)(density >> 8), (byte)density, 0, 0, 0, 0];
        Assert.Equal(dpi, PictureResolution.Dpi(file));
    }

    [Fact]
    public void APng_SaysDotsToAMetre_BeforeItsPixelsAlone()
    {
        byte[] head = [0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A];
        byte[] size = [0, 0, 0, 13, .. "IHDR"u8, .. new byte[13], 0, 0, 0, 0];
        byte[] physical = [0, 0, 0, 9, .. "pHYs"u8, 0, 0, 0x2E, 0x23, 0, 0, 0x2E, 0x23, 1, 0, 0, 0, 0];
        byte[] pixels = [0, 0, 0, 0, .. "IDAT"u8, 0, 0, 0, 0];
        Assert.Equal(300, PictureResolution.Dpi([.. head, .. size, .. physical, .. pixels])!.Value, 1);
        Assert.Null(PictureResolution.Dpi([.. head, .. size, .. pixels, .. physical]));
    }

    [Fact]
    public void WhatIsCutOff_OrNoPicture_SaysNothing()
    {
        var jpeg = PictureCodec.Jpeg(new PixelImage(8, 8, new byte[8 * 8 * 3]), 80);
        for (var length = 0; length < 40; length++)
            Assert.Null(PictureResolution.Dpi(jpeg.AsSpan(0, Math.Min(length, 17))));
        Assert.Null(PictureResolution.Dpi("plain words, no picture"u8));
        byte[] lies = [0x89, 0x50, 0x4E, 0x47, 0, 0, 0, 0, 0xFF, 0xFF, 0xFF, 0xFF, .. "tEXt"u8, 0, 0, 0, 0];
        Assert.Null(PictureResolution.Dpi(lies));
    }
}
