using SideBench.Core.Identity;
using SideBench.Web.Hosting;

namespace SideBench.Web.Features.Events;

/// <summary>What changes, as it changes: server-sent events.</summary>
public static class EventsEndpoints
{
    /// <summary>Maps it.</summary>
    public static void MapEvents(this IEndpointRouteBuilder routes) =>
        routes
            .MapGet(
                "/events",
                (EventHub hub, IHostApplicationLifetime life, HttpContext http) =>
                {
                    var end = CancellationTokenSource.CreateLinkedTokenSource(http.RequestAborted, life.ApplicationStopping);
                    http.Response.RegisterForDispose(end);
                    return TypedResults.ServerSentEvents(Stream(hub, end.Token));
                }
            )
            .ExcludeFromDescription()
            .For(Act.Read);

    private static async IAsyncEnumerable<string> Stream(
        EventHub hub,
        [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken cancel
    )
    {
        await using var messages = hub.Hear(cancel).GetAsyncEnumerator(cancel);
        while (await Next(messages))
            yield return messages.Current;
    }

    private static async Task<bool> Next(IAsyncEnumerator<string> messages)
    {
        try
        {
            return await messages.MoveNextAsync();
        }
        catch (OperationCanceledException)
        {
            return false;
        }
    }
}
