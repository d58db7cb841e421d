namespace SideBench.Web.Hosting;

/// <summary>
/// Pictures are unpacked one at a time, sheets and photos alike; the next waits its turn. A small file may unpack to hundreds of megabytes,
/// and the rest of the shop stays quick.
/// </summary>
public sealed class PictureTurn : IDisposable
{
    private readonly SemaphoreSlim turn = new(1, 1);

    /// <summary>Does it when its turn comes.</summary>
    /// <param name="work">What unpacks a picture.</param>
    /// <param name="cancel">Stops the waiting.</param>
    public async Task<T> Take<T>(Func<T> work, CancellationToken cancel)
    {
        await turn.WaitAsync(cancel);
        try
        {
            return await Task.Run(work, cancel);
        }
        finally
        {
            turn.Release();
        }
    }

    /// <inheritdoc/>
    public void Dispose() => turn.Dispose();
}
