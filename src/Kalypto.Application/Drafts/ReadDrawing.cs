using Kalypto.Core.Deciding;

namespace Kalypto.Application.Drafts;

/// <summary>A drawing that was read and measured, and is nowhere yet.</summary>
/// <param name="FileName">The name of its file.</param>
/// <param name="File">The bytes of it.</param>
/// <param name="Measured">The drawing.</param>
public sealed record ReadDrawing(string FileName, byte[] File, MeasuredDrawing Measured);
