using System.Globalization;
using Kalypto.Core.Designs;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;

namespace Kalypto.Drawing.Workers;

/// <summary>
/// Reads drawings in worker processes: a file that hangs or crashes the reading costs itself only. Nothing that was not read
/// there is parsed here. What the reader says of a file is its refusal; that the reader itself ended is passing.
/// </summary>
public sealed class WorkerReader : IDrawingReader, IDisposable
{
    private const int Attempts = 2;
    private readonly WorkerPool pool;

    /// <summary>Makes a reader; its processes start when they are first needed.</summary>
    /// <param name="options">How they are started. The time limit is that of one file.</param>
    public WorkerReader(WorkerOptions options) => pool = new(options, options.Count);

    /// <inheritdoc/>
    public async Task<DrawingTree> ReadAsync(ReadOnlyMemory<byte> file, string fallbackName, CancellationToken cancel)
    {
        for (var attempt = 1; ; attempt++)
        {
            var (refusal, read) = ((DrawingRefusedException?)null, (byte[]?)null);
            var failure = await pool.AskAsync(new(WorkerTask.Read, 0, 0, Effort.Quick, []) { Name = fallbackName }, file, 1, (answer, body) =>
            {
                refusal = answer.Failure is null ? null : DrawingRefusedException.Again(answer.Failure, int.Parse(answer.Note ?? "0", CultureInfo.InvariantCulture));
                read = body;
            }, cancel);
            if (refusal is not null)
            {
                throw refusal;
            }
            if (failure is null)
            {
                var bytes = read!;
                return await Task.Run(() => ReadForm.Read(bytes), cancel);
            }
            // Whoever killed the worker may have meant something else; a drawing that kills it does so again.
            if (failure.IsTime || attempt == Attempts)
            {
                throw new DrawingRefusedException(failure.IsTime ? "Reading the drawing takes longer than it may" : "Reading the drawing takes more memory than it may, or crashes the reading",
                    "Make it simpler, or split it into several files. When other drawings fail too, try again in a moment")
                { IsPassing = true };
            }
        }
    }

    /// <inheritdoc/>
    public void Dispose() => pool.Dispose();
}
