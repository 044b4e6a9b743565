using Kalypto.Core.Designs;

namespace Kalypto.Core.Reading;

/// <summary>Reads in the same process: for drawings that one made oneself, and for tests.</summary>
public sealed class DirectReader : IDrawingReader
{
    /// <inheritdoc/>
    public Task<DrawingTree> ReadAsync(ReadOnlyMemory<byte> file, string fallbackName, CancellationToken cancel) => Task.Run(() => DrawingReader.Read(file, fallbackName), cancel);
}
