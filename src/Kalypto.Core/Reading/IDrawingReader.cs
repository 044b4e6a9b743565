using Kalypto.Core.Designs;

namespace Kalypto.Core.Reading;

/// <summary>Reads drawings out of files that may be hostile, so that nothing in them can take the caller down.</summary>
public interface IDrawingReader
{
    /// <summary>Reads a drawing of any known format.</summary>
    /// <param name="file">The bytes of the file.</param>
    /// <param name="fallbackName">The name of the whole when the drawing has none.</param>
    /// <param name="cancel">Ends the reading, whatever it is busy with.</param>
    /// <exception cref="DrawingRefusedException">The file is none of the known formats, is broken, is over a limit, or takes too long or too much memory.</exception>
    Task<DrawingTree> ReadAsync(ReadOnlyMemory<byte> file, string fallbackName, CancellationToken cancel);
}
