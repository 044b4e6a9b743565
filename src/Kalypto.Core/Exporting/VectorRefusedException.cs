namespace Kalypto.Core.Exporting;

/// <summary>Ends the writing of a vector drawable.</summary>
internal sealed class VectorRefusedException(VectorRefusal refusal) : Exception(refusal.Why)
{
    public VectorRefusedException(string why)
        : this(new VectorRefusal(why))
    {
    }

    public VectorRefusal Refusal => refusal;
}
