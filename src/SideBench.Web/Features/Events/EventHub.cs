using System.Collections.Concurrent;
using System.Threading.Channels;

namespace SideBench.Web.Features.Events;

/// <summary>Hands what the database announces to every open page of this server.</summary>
public sealed class EventHub
{
    private const string All = "{\"all\":true}";
    private readonly ConcurrentDictionary<Guid, Channel<string>> pages = new();
    private volatile bool listening;

    /// <summary>From now on nothing is missed, so every page loads what it shows once more.</summary>
    public void Begin()
    {
        listening = true;
        Tell(All);
    }

    /// <summary>The database is lost: what is written until <see cref="Begin"/> is not heard.</summary>
    public void Lose() => listening = false;

    /// <summary>Tells every page. A page that does not keep up loses the oldest: it loads all again anyway.</summary>
    public void Tell(string message)
    {
        foreach (var page in pages.Values)
            page.Writer.TryWrite(message);
    }

    /// <summary>What a page hears until it goes away: first, as soon as nothing can be missed, that it is to load all.</summary>
    public async IAsyncEnumerable<string> Hear([System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken cancel)
    {
        var id = Guid.NewGuid();
        var channel = Channel.CreateBounded<string>(new BoundedChannelOptions(64) { FullMode = BoundedChannelFullMode.DropOldest });
        pages[id] = channel;
        if (listening)
            channel.Writer.TryWrite(All);
        try
        {
            await foreach (var message in channel.Reader.ReadAllAsync(cancel))
                yield return message;
        }
        finally
        {
            pages.TryRemove(id, out _);
        }
    }
}
