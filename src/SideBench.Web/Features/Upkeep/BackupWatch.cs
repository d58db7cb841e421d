using System.Text.Json;

namespace SideBench.Web.Features.Upkeep;

/// <summary>One backup as the nightly run told of it.</summary>
/// <param name="At">When it was begun.</param>
/// <param name="File">Its name.</param>
/// <param name="Bytes">How large; 0 when it failed.</param>
/// <param name="Said">Why it failed; empty when it was proved.</param>
public sealed record BackupTold(DateTimeOffset At, string File, long Bytes, string Said);

/// <summary>How the backups stand.</summary>
/// <param name="IsSet">Whether there is a backup each night.</param>
/// <param name="Folder">Where to.</param>
/// <param name="Proved">The last that was proved by restoring it; null when none was.</param>
/// <param name="Tried">The last that was tried; null when none was.</param>
/// <param name="Count">How many are kept.</param>
/// <param name="IsLate">Whether the last proved one is too old, or there is none though there should be.</param>
public sealed record BackupsView(bool IsSet, string Folder, BackupTold? Proved, BackupTold? Tried, int Count, bool IsLate);

/// <summary>Reads what the nightly backups told of themselves in their folder.</summary>
/// <param name="folder">The folder; empty when there is no backup each night.</param>
/// <param name="began">Since when there should be one: a shop of today has no backup of last night.</param>
/// <param name="clock">The time.</param>
public sealed class BackupWatch(string folder, DateTimeOffset began, TimeProvider clock)
{
    /// <summary>The last proved backup may be this old.</summary>
    public static readonly TimeSpan MostAge = TimeSpan.FromDays(2);

    /// <summary>The setting that names the folder.</summary>
    public const string Setting = "SIDEBENCH_BACKUPS";

    private static readonly JsonSerializerOptions AsTold = new(JsonSerializerDefaults.Web);

    /// <summary>How they stand.</summary>
    public BackupsView Look()
    {
        if (folder.Length == 0)
            return new BackupsView(false, "", null, null, 0, false);
        var proved = Read("last-proved.json");
        var now = clock.GetUtcNow();
        // One that is told to be of tomorrow is of a clock that was wrong: it says nothing of its age.
        var isYoung = (proved?.At ?? began) is var at && now - at <= MostAge && at - now <= MostAge;
        var count = Directory.Exists(folder) ? Directory.EnumerateFiles(folder, "side-bench-*.backup").Count() : 0;
        return new BackupsView(true, folder, proved, Read("last-try.json"), count, !isYoung);
    }

    private BackupTold? Read(string name)
    {
        try
        {
            return JsonSerializer.Deserialize<BackupTold>(File.ReadAllText(Path.Combine(folder, name)), AsTold);
        }
        catch (Exception e) when (e is IOException or JsonException or UnauthorizedAccessException)
        {
            return null;
        }
    }
}
