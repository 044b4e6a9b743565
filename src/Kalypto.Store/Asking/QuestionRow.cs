namespace Kalypto.Store.Asking;

/// <summary>Something that was asked about a delivery.</summary>
/// <param name="Id">The number.</param>
/// <param name="Delivery">The delivery that it was asked about.</param>
/// <param name="Design">The design.</param>
/// <param name="Screen">The lineage of the layer that stands for the screen.</param>
/// <param name="Lineage">The lineage of the layer; of a point or the screen as a whole, that of the screen.</param>
/// <param name="Kind">What is asked for.</param>
public sealed record QuestionRow(int Id, int Delivery, int Design, int Screen, int Lineage, string Kind)
{
    /// <summary>Where on the screen, in pt; null for a layer or the screen as a whole.</summary>
    public (double X, double Y)? Point { get; init; }

    /// <summary>The state that is missing, where one is.</summary>
    public string State { get; init; } = "";

    /// <summary>What they say in their own words.</summary>
    public string Words { get; init; } = "";

    /// <summary>Who asked, as they call themselves.</summary>
    public string Who { get; init; } = "";

    /// <summary>Tells whose it is.</summary>
    public string Actor { get; init; } = "";

    /// <summary>When it was asked.</summary>
    public DateTime AskedAt { get; init; }

    /// <summary>What was answered; empty for nothing yet.</summary>
    public string Answer { get; init; } = "";

    /// <summary>Who answered.</summary>
    public string AnsweredBy { get; init; } = "";

    /// <summary>The delivery that settled it; null for none yet.</summary>
    public int? SettledIn { get; init; }
}
