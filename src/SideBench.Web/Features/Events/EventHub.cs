using System.Collections.Concurrent;
using System.Threading.Channels;

namespace SideBench.Web.Features.Events;

/// <summary>Hands what the database announces to every open page of this server.</summary>
public sealed class EventHub
{
    private readonly ConcurrentDictionary<Guid, Channel<string>> pages = new();

    /// <summary>Tells every page. A page that does not keep up loses the oldest: it loads all again anyway.</summary>
    public void Tell(string message)
    {
        foreach (var page in pages.Values) page.Writer.TryWrite(message);
    }

    /// <summary>What a page hears until it goes away.</summary>
    public async IAsyncEnumerable<string> Hear([System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken cancel)
    {
        var id = Guid.NewGuid();
        var channel = Channel.CreateBounded<string>(new BoundedChannelOptions(64) { FullMode = BoundedChannelFullMode.DropOldest });
        pages[id] = channel;
        try
        {
            await foreach (var message in channel.Reader.ReadAllAsync(cancel)) yield return message;
        }
        finally
        {
            pages.TryRemove(id, out _);
        }
    }
}
