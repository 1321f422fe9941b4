/* All that a student's page downloads only when it is first shown: fetched ahead, so that it is there without a network. */
import '../parts/DrawnTex';
import '../questions/drawing/DrawingInput';
import '../questions/extendedText/ExtendedTextInput';
import '../questions/gap/GapInput';
import '../questions/hotspot/HotspotInput';
import '../questions/match/MatchInput';
import '../questions/number/NumberInput';
import '../questions/order/OrderInput';
import '../questions/selectPoint/SelectPointInput';
import '../questions/slider/SliderInput';
import '../questions/sort/SortInput';
import '../questions/textEntry/TextEntryInput';
import '../ui/Dialog';
import './ClassAnswers';
import './LeavesPanel';
