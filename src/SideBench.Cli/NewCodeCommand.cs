using Microsoft.AspNetCore.Builder;
using Microsoft.Extensions.DependencyInjection;
using SideBench.Core.Accounts;
using SideBench.Core.Record;
using SideBench.Data.People;
using SideBench.Data.Record;
using SideBench.Web.Features.Accounts;
using SideBench.Web.Hosting;
using SideBench.Web.Writing;

namespace SideBench.Cli;

/// <summary>A new one-time code from the machine's own console: for an owner who forgot the password and has nobody to ask.</summary>
public static class NewCodeCommand
{
    /// <summary>Makes it, and prints it.</summary>
    /// <returns>0 when made, 2 when there is no such person.</returns>
    public static async Task<int> Run(string name)
    {
        if (Settings.LoadShop(Settings.Needed(Settings.Packs), Console.Error) is not { } shop)
            return 2;
        var builder = WebApplication.CreateBuilder();
        builder.AddSideBench(shop, Settings.Needed(Settings.Database), "");
        await using var app = builder.Build();
        var people = app.Services.GetRequiredService<PeopleStore>();
        if (await people.FindByName(name, CancellationToken.None) is not { } person)
        {
            Console.Error.WriteLine($"Nobody here is called “{name}”.");
            return 2;
        }

        var line = AccountKeeping.NewCode([person.Account], person.Id);
        if (!line.IsGood)
        {
            Console.Error.WriteLine($"{name} is suspended: another owner lets them back.");
            return 2;
        }

        var (key, code, now) = (Guid.NewGuid(), Secrets.NewCode(), app.Services.GetRequiredService<BenchBooks>().Now);
        await app
            .Services.GetRequiredService<WriteDesk>()
            .OnShop(
                new Asked(new Write(key, $"{key}", person.Id, person.Name, now), 0, IsHarmless: true),
                async (unit, _) =>
                {
                    await PeopleStore.GiveCode(unit, person.Id, SignIn.Hash(Secrets.CodeOf(code)), now + Secrets.CodeHolds);
                    return new List<EntryBody> { line.Value with { Why = "made at the console" } };
                },
                CancellationToken.None
            );
        Console.WriteLine($"One-time code for {person.Name}: {code}");
        return 0;
    }
}
