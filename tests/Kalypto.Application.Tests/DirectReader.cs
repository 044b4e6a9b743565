using Kalypto.Core.Designs;
using Kalypto.Core.Reading;

namespace Kalypto.Application.Tests;

/// <summary>Reads in the same process: the drawings of these tests are their own.</summary>
internal sealed class DirectReader : IDrawingReader
{
    public Task<DrawingTree> ReadAsync(ReadOnlyMemory<byte> file, string fallbackName, CancellationToken cancel) => Task.Run(() => DrawingReader.Read(file, fallbackName), cancel);
}
