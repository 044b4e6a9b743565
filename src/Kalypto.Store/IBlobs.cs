namespace Kalypto.Store;

/// <summary>Keeps bytes by their SHA-256: equal content is kept once.</summary>
public interface IBlobs
{
    /// <summary>Keeps what a stream holds and tells its SHA-256, 64 lower-case hexadecimal digits.</summary>
    Task<string> PutAsync(Stream content, CancellationToken cancel);

    /// <summary>The content, to be read once and disposed; null when there is none of that SHA-256.</summary>
    Task<Stream?> OpenAsync(string sha256, CancellationToken cancel);

    /// <summary>How many bytes it has; null when there is none of that SHA-256.</summary>
    Task<long?> LengthAsync(string sha256, CancellationToken cancel);
}
