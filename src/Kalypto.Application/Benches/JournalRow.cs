namespace Kalypto.Application.Benches;

/// <summary>A row that is written only when it has to be.</summary>
/// <param name="Id">Tells it from the other rows of its list.</param>
/// <param name="Signature">Equal for rows that are written alike.</param>
/// <param name="Write">Writes it, as JSON.</param>
public readonly record struct JournalRow(long Id, long Signature, Func<byte[]> Write);
