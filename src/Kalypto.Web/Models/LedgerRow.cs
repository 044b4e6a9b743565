namespace Kalypto.Web.Models;

/// <summary>A row of the ledger that is written only when it has to be.</summary>
/// <param name="Ordinal">The layer.</param>
/// <param name="Signature">Equal for rows that show the same.</param>
/// <param name="Make">Writes the row.</param>
public sealed record LedgerRow(int Ordinal, long Signature, Func<RowModel> Make);
