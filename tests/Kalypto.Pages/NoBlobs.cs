using Kalypto.Store;

namespace Kalypto.Pages;

/// <summary>Keeps nothing: the fonts are those that come with Kalypto.</summary>
internal sealed class NoBlobs : IBlobs
{
    public Task<string> PutAsync(Stream content, CancellationToken cancel) => Task.FromResult("");

    public Task<Stream?> OpenAsync(string sha256, CancellationToken cancel) => Task.FromResult<Stream?>(null);

    public Task<long?> LengthAsync(string sha256, CancellationToken cancel) => Task.FromResult<long?>(null);
}
