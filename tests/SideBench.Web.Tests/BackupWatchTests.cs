using Microsoft.Extensions.Time.Testing;
using SideBench.Web.Features.Upkeep;
using Xunit;

namespace SideBench.Web.Tests;

public sealed class BackupWatchTests : IDisposable
{
    private static readonly DateTimeOffset Now = new(2026, 3, 10, 9, 0, 0, TimeSpan.Zero);
    private readonly string folder = Directory.CreateTempSubdirectory("side-bench-watch").FullName;

    [Theory]
    [InlineData(20, false)]
    [InlineData(47.9, false)]
    [InlineData(48.1, true)]
    [InlineData(-30, false)]
    [InlineData(-400, true)]
    public void TheLastProvedOne_IsLateAfterTwoDays_AndTellsNothingWhenItIsFarAhead(double hoursAgo, bool isLate)
    {
        Tell("last-proved.json", Now.AddHours(-hoursAgo), "");
        // A try that failed since makes it no younger.
        Tell("last-try.json", Now.AddHours(-1), "no room");
        var told = Look(Now.AddDays(-90));
        Assert.Equal((isLate, "no room", 1), (told.IsLate, told.Tried!.Said, told.Count));
    }

    [Theory]
    [InlineData(1, false)]
    [InlineData(49, true)]
    public void AShopWithoutOne_HasTwoDays(double hoursAgo, bool isLate)
    {
        Assert.Equal((isLate, null), (Look(Now.AddHours(-hoursAgo)).IsLate, Look(Now.AddHours(-hoursAgo)).Proved));
        File.WriteAllText(Path.Combine(folder, "last-proved.json"), "{ half");
        Assert.Equal(isLate, Look(Now.AddHours(-hoursAgo)).IsLate);
    }

    [Fact]
    public void WithoutBackupsByNight_NothingIsLate() => Assert.False(new BackupWatch("", Now.AddDays(-90), Clock()).Look().IsLate);

    public void Dispose() => Directory.Delete(folder, true);

    private BackupsView Look(DateTimeOffset began) => new BackupWatch(folder, began, Clock()).Look();

    private static FakeTimeProvider Clock() => new(Now);

    private void Tell(string name, DateTimeOffset at, string said)
    {
        File.WriteAllText(Path.Combine(folder, "side-bench-2026-03-09.backup"), "");
        File.WriteAllText(Path.Combine(folder, name), $"{{\"at\": \"{at:O}\", \"file\": \"x\", \"bytes\": 9, \"said\": \"{said}\"}}");
    }
}
