using System.Text.Json;
using Kalypto.Application.Benches;
using Kalypto.Core.Deciding;
using Kalypto.Drawing.Workers;

namespace Kalypto.Application.Tests;

public class BenchJournalTests
{
    private static readonly (int, int, int) Key = (1, 2, 0);
    private readonly BenchJournal journal = new();
    private int written;

    private JournalRow Row(int id, string says) => new(id, says.GetHashCode(StringComparison.Ordinal), () =>
    {
        written++;
        return JsonSerializer.SerializeToUtf8Bytes(new { id, says });
    });

    private (string Version, int[] Rows, int[]? Order) Ask(string? since, params (int Ordinal, string Decision)[] rows)
    {
        var json = JsonDocument.Parse(journal.Answer(Key, [.. rows.Select(r => Row(r.Ordinal, r.Decision))], [], since, more => more.WriteBoolean("more", true))).RootElement;
        Assert.True(json.GetProperty("more").GetBoolean());
        return (json.GetProperty("version").GetString()!, [.. json.GetProperty("rows").EnumerateArray().Select(r => r.GetProperty("id").GetInt32())],
            json.TryGetProperty("order", out var order) ? [.. order.EnumerateArray().Select(o => o.GetInt32())] : null);
    }

    [Fact]
    public void A_page_gets_everything_once_and_then_what_changed()
    {
        var first = Ask(null, (0, "open"), (1, "open"), (2, "open"));
        Assert.Equal([0, 1, 2], first.Rows);
        Assert.Equal([0, 1, 2], first.Order!);
        var second = Ask(first.Version, (0, "open"), (1, "ship"), (2, "open"));
        Assert.Equal([1], second.Rows);
        Assert.Null(second.Order);
        Assert.Empty(Ask(second.Version, (0, "open"), (1, "ship"), (2, "open")).Rows);
        // Three rows at first, then the one that changed: nothing is written twice.
        Assert.Equal(4, written);
    }

    [Fact]
    public void A_page_that_missed_several_edits_gets_all_of_them_and_rows_that_went()
    {
        var old = Ask(null, (0, "open"), (1, "open"), (2, "open")).Version;
        Ask(old, (0, "open"), (1, "ship"), (2, "open"));
        var late = Ask(old, (0, "code"), (1, "ship"), (7, "open"));
        Assert.Equal([0, 1, 7], late.Rows);
        Assert.Equal([0, 1, 7], late.Order!);
    }

    [Theory]
    [InlineData("00000000-1")]
    [InlineData("nonsense")]
    [InlineData("")]
    public void A_page_from_before_a_restart_gets_everything(string since)
    {
        Ask(null, (0, "open"), (1, "open"));
        Assert.Equal([0, 1], Ask(since, (0, "open"), (1, "open")).Rows);
    }
}
